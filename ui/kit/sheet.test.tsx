/** @jest-environment jsdom */

import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { WithWords } from '@/ui/words/testing/with-words';
import { TextField } from './form/fields';
import { Form } from './form/form';
import { useTyped } from './form/use-typed';
import { Sheet } from './sheet';

const left = jest.fn();
afterEach(() => {
  cleanup();
  left.mockReset();
});

function Editor() {
  const typing = useTyped<{ name: string }, object>({
    from: { name: 'Quayside' },
    read: (typed) => ({ ok: true, value: typed }),
    send: async () => ({ ok: true, value: null }),
  });
  return (
    <Sheet open title="A seller" onClose={left}>
      <Form typing={typing} action="Save" onLeave={left}>
        <TextField name="name" label="Username" />
      </Form>
    </Sheet>
  );
}

test('a sheet on which nothing was typed goes with Escape', async () => {
  render(<Editor />, { wrapper: WithWords });
  await screen.findByRole('dialog', { name: 'A seller' });
  await userEvent.keyboard('{Escape}');
  expect(left).toHaveBeenCalledTimes(1);
});

test('what was typed is not lost by a slip: it is gone on with, or let go on purpose', async () => {
  render(<Editor />, { wrapper: WithWords });
  await userEvent.type(await screen.findByLabelText('Username'), ' Components');
  await userEvent.keyboard('{Escape}');
  expect(left).not.toHaveBeenCalled();
  expect(screen.getByRole('alert').textContent).toContain('What you typed is not saved.');
  await userEvent.click(screen.getByRole('button', { name: 'Continue editing' }));
  expect(screen.queryByRole('alert')).toBeNull();
  expect(screen.getByLabelText<HTMLInputElement>('Username').value).toBe('Quayside Components');
  await userEvent.keyboard('{Escape}');
  await userEvent.click(screen.getByRole('button', { name: 'Discard' }));
  expect(left).toHaveBeenCalledTimes(1);
});

test('Cancel is on purpose already', async () => {
  render(<Editor />, { wrapper: WithWords });
  await userEvent.type(await screen.findByLabelText('Username'), ' Components');
  await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
  expect(left).toHaveBeenCalledTimes(1);
});
