/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { GB } from '@/core/machine/samples';
import { WithWords } from '@/ui/words/testing/with-words';
import { NeedLadder } from './need-ladder';
import type { ShownNeeds } from './need-logic';

const save = jest.fn();
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
beforeEach(() => {
  save.mockReset();
  save.mockResolvedValue({ ok: true });
});
afterEach(cleanup);

const NEEDS: ShownNeeds = {
  uses: [
    { use: 'office', needMiB: 8 * GB, reason: 'letters' },
    { use: 'photo', needMiB: 16 * GB, reason: 'layers' },
    { use: 'sound', needMiB: 16 * GB, reason: '' },
  ],
  systems: [{ os: 'Tidewater 9', leastMiB: 4 * GB, visibleMiB: null }],
  floorMiB: 8 * GB,
};
const shown = () =>
  render(
    <WithWords>
      <NeedLadder needs={NEEDS} />
    </WithWords>,
  );
const put = () => save.mock.calls.at(-1)?.[2] as ShownNeeds;

describe('what uses and systems need', () => {
  it('stands on rungs, uses of one size on one', () => {
    shown();
    const rungs = within(screen.getByRole('region', { name: 'What people need' })).getAllByRole('listitem');
    const texts = rungs.map(({ textContent }) => textContent ?? '');
    expect(texts.find((text) => text.startsWith('16 GB'))).toMatch(/photo.*sound/);
    expect(texts.find((text) => text.startsWith('8 GB'))).toContain('office');
  });

  it('is changed in its place: another size moves a use to another rung', async () => {
    shown();
    await userEvent.click(screen.getByRole('button', { name: /^photo/ }));
    const size = screen.getByLabelText('Needs');
    await userEvent.clear(size);
    await userEvent.type(size, '32 GB');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(save.mock.calls[0]?.slice(0, 2)).toEqual(['PUT', '/api/needs']);
    expect(put().uses).toEqual(
      expect.arrayContaining([{ use: 'photo', needMiB: 32 * GB, reason: 'layers' }, NEEDS.uses[0], NEEDS.uses[2]]),
    );
    expect(put().uses).toHaveLength(3);
    expect(put().systems).toEqual(NEEDS.systems);
  });

  it('has the last change undone by one press', async () => {
    shown();
    expect(screen.queryByRole('button', { name: 'Undo last change' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: /^sound/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect(put().uses.map(({ use }) => use)).toEqual(['office', 'photo']);
    await userEvent.click(screen.getByRole('button', { name: 'Undo last change' }));
    expect(put()).toEqual(NEEDS);
    expect(screen.queryByRole('button', { name: 'Undo last change' })).toBeNull();
  });

  it('takes no use without a name, and no size that is none', async () => {
    shown();
    await userEvent.click(screen.getByRole('button', { name: 'Add a use' }));
    await userEvent.type(screen.getByLabelText('Needs'), 'plenty');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(save).not.toHaveBeenCalled();
    expect(screen.getAllByText('Enter the name of the use.').length).toBeGreaterThan(0);
    expect(screen.getByLabelText('Needs').getAttribute('aria-invalid')).toBe('true');
  });

  it('keeps the form open with what was typed where it could not be saved', async () => {
    save.mockResolvedValue({ ok: false, code: 'busy', sentence: 'Try again.' });
    shown();
    await userEvent.click(screen.getByRole('button', { name: 'Add a system' }));
    await userEvent.type(screen.getByLabelText('System'), 'Tidewater 10');
    await userEvent.type(screen.getByLabelText('For itself'), '6 GB');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(put().systems.at(-1)).toEqual({ os: 'Tidewater 10', leastMiB: 6 * GB, visibleMiB: null });
    expect(screen.getByLabelText<HTMLInputElement>('System').value).toBe('Tidewater 10');
  });

  it('saves the least that anybody is recommended once the field is left, and nothing that is no size', async () => {
    shown();
    const floor = screen.getByLabelText('Minimum recommended memory');
    await userEvent.click(floor);
    await userEvent.tab();
    expect(save).not.toHaveBeenCalled();
    await userEvent.clear(floor);
    await userEvent.type(floor, 'some');
    await userEvent.tab();
    expect(save).not.toHaveBeenCalled();
    expect(screen.getByText('"some" is not a size such as 8 GB.')).toBeTruthy();
    await userEvent.clear(floor);
    await userEvent.type(floor, '16 GB');
    await userEvent.tab();
    expect(put().floorMiB).toBe(16 * GB);
  });
});
