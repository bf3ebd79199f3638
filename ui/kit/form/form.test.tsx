/** @jest-environment jsdom */

import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { WithWords } from '@/ui/words/testing/with-words';
import { CheckField, ChoiceField, TextAreaField, TextField } from './fields';
import { Form } from './form';
import { readTyped, wholeTyped } from './read-typed';
import { Saved } from './saved';
import { useTyped } from './use-typed';

interface Typed {
  name: string;
  days: string;
  kind: string;
  note: string;
  isSure: boolean;
}
const NOTHING: Typed = { name: '', days: '3', kind: 'a', note: '', isSure: false };
type Answer = { ok: true; value: null } | { ok: false; code: string; sentence: string; at?: string };

let answers: Answer[] = [];
const sent = jest.fn();
afterEach(() => {
  cleanup();
  sent.mockReset();
  answers = [];
});

function Seller({ next }: { next?: Typed }) {
  const typing = useTyped<Typed, object>({
    from: NOTHING,
    read: (typed) =>
      readTyped<Typed, object>(
        {
          name: typed.name.trim() === '' && 'Enter the name.',
          days: wholeTyped(typed.days) === null && 'Enter the days.',
        },
        () => ({ ...typed, days: Number(typed.days) }),
      ),
    send: async (value) => {
      sent(value);
      return answers.shift() ?? { ok: true, value: null };
    },
    next,
  });
  return (
    <>
      <Form typing={typing} action="Save" label="A seller" onLeave={() => sent('left')}>
        <TextField name="name" label="Username" hint="as it stands on its papers" />
        <TextField name="days" label="Delivery time" unit="days" />
        <ChoiceField
          name="kind"
          label="Kind"
          options={[
            { value: 'a', text: 'own stock' },
            { value: 'b', text: 'a marketplace' },
          ]}
        />
        <TextAreaField name="note" label="Note" />
        <CheckField name="isSure">sure of it</CheckField>
      </Form>
      <Saved typing={typing}>Saved.</Saved>
    </>
  );
}

const name = () => screen.getByLabelText<HTMLInputElement>('Username');
const days = () => screen.getByLabelText<HTMLInputElement>('Delivery time');
const save = () => userEvent.click(screen.getByRole('button', { name: 'Save' }));

test('what is typed is sent as it was read, and is saved until something is typed again', async () => {
  render(<Seller />, { wrapper: WithWords });
  // The region that announces it is there, empty, before there is anything to announce.
  expect(screen.getByRole('status').textContent).toBe('');
  await userEvent.type(name(), 'Quayside');
  await userEvent.selectOptions(screen.getByLabelText('Kind'), 'a marketplace');
  await userEvent.type(screen.getByLabelText('Note'), 'mornings');
  await userEvent.click(screen.getByLabelText('sure of it'));
  await save();
  expect(sent.mock.calls).toEqual([[{ name: 'Quayside', days: 3, kind: 'b', note: 'mornings', isSure: true }]]);
  await screen.findByText('Saved.');
  expect(screen.getByRole('status').textContent).toContain('Saved.');
  await userEvent.type(name(), ' Components');
  expect(screen.queryByText('Saved.')).toBeNull();
  expect(screen.getByRole('form').dataset.dirty).toBe('true');
});

test('nothing is sent while a field is wrong: it says so, has the focus, and is right as soon as it is', async () => {
  render(<Seller />, { wrapper: WithWords });
  await save();
  expect(sent).not.toHaveBeenCalled();
  expect(document.activeElement).toBe(name());
  expect(name().getAttribute('aria-invalid')).toBe('true');
  const said = document.getElementById(name().getAttribute('aria-describedby') ?? '');
  expect(said?.textContent).toBe('Enter the name.');
  await userEvent.type(name(), 'Q');
  await waitFor(() => expect(name().getAttribute('aria-invalid')).toBeNull());
  expect(screen.getByText('as it stands on its papers')).not.toBeNull();
});

test('several wrong fields are named in one place, each a way to its field', async () => {
  render(<Seller />, { wrapper: WithWords });
  await userEvent.clear(days());
  await userEvent.type(days(), 'soon');
  await save();
  const summary = screen.getByText(/2 fields need another look/);
  expect(summary.closest('[role="alert"]')).not.toBeNull();
  expect(document.activeElement).toBe(name());
  await userEvent.click(screen.getByRole('button', { name: 'Delivery time' }));
  expect(document.activeElement).toBe(days());
  expect(days().value).toBe('soon');
});

test('a refusal stands at the field that it names, or below the whole; nothing is lost', async () => {
  answers = [
    { ok: false, code: 'bad-input', at: 'days', sentence: 'At most 365 days.' },
    { ok: false, code: 'busy', sentence: 'The database does not answer just now.' },
  ];
  render(<Seller />, { wrapper: WithWords });
  await userEvent.type(name(), 'Quayside');
  await save();
  await screen.findByText('At most 365 days.');
  expect(days().getAttribute('aria-invalid')).toBe('true');
  await userEvent.type(days(), '0');
  await save();
  await screen.findByText('The database does not answer just now.');
  expect([name().value, days().value]).toEqual(['Quayside', '30']);
  await save();
  await waitFor(() => expect(screen.queryByText('The database does not answer just now.')).toBeNull());
  expect(sent).toHaveBeenCalledTimes(3);
});

test('Enter in a line and Ctrl+Enter in a text send it; Cancel leaves it', async () => {
  render(<Seller />, { wrapper: WithWords });
  await userEvent.type(name(), 'Quayside{Enter}');
  await waitFor(() => expect(sent).toHaveBeenCalledTimes(1));
  await userEvent.type(screen.getByLabelText('Note'), 'a line{Enter}another');
  expect(sent).toHaveBeenCalledTimes(1);
  await userEvent.keyboard('{Control>}{Enter}{/Control}');
  await waitFor(() => expect(sent).toHaveBeenCalledTimes(2));
  expect(sent.mock.calls[1]?.[0]).toMatchObject({ note: 'a line\nanother' });
  await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
  expect(sent).toHaveBeenLastCalledWith('left');
});

test('it is sent once, and what is typed while it is on the way stays', async () => {
  let arrive = (_: Answer) => {};
  sent.mockImplementation(() => {});
  answers = [];
  const slow = new Promise<Answer>((resolve) => {
    arrive = resolve;
  });
  answers.shift = () => slow as unknown as Answer;
  render(<Seller />, { wrapper: WithWords });
  await userEvent.type(name(), 'Quayside');
  await save();
  const button = screen.getByRole<HTMLButtonElement>('button', { name: 'Save' });
  await waitFor(() => expect(button.disabled).toBe(true));
  await userEvent.type(name(), ' Components{Enter}');
  expect(sent).toHaveBeenCalledTimes(1);
  arrive({ ok: true, value: null });
  await waitFor(() => expect(button.disabled).toBe(false));
  expect(name().value).toBe('Quayside Components');
});

test('a form that goes on begins again once it is sent', async () => {
  render(<Seller next={NOTHING} />, { wrapper: WithWords });
  await userEvent.type(name(), 'Quayside');
  await save();
  await waitFor(() => expect(name().value).toBe(''));
  await screen.findByText('Saved.');
});

test('fields come with what stands in them, and what is typed before the scripts are there stays', async () => {
  const { renderToString } = await import('react-dom/server');
  const { hydrateRoot } = await import('react-dom/client');
  const { act } = await import('react');
  const page = document.createElement('div');
  page.innerHTML = renderToString(
    <WithWords>
      <Seller />
    </WithWords>,
  );
  document.body.append(page);
  expect(days().value).toBe('3');
  name().value = 'Quayside';
  const root = await act(async () =>
    hydrateRoot(
      page,
      <WithWords>
        <Seller />
      </WithWords>,
    ),
  );
  expect([name().value, days().value]).toEqual(['Quayside', '3']);
  await save();
  expect(sent.mock.calls[0]?.[0]).toMatchObject({ name: 'Quayside', days: 3 });
  await act(async () => root.unmount());
  page.remove();
});
