/** @jest-environment jsdom */

import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { QuoteLine } from '@/core/quoting/snapshot';
import { WithWords } from '@/ui/words/testing/with-words';
import type { Saving } from '../client/use-save';
import { DraftLine } from './draft-line';

jest.mock('../job/job-context', () => ({ useJob: () => ({ job: { id: 5, currency: 'EUR', language: 'en' } }) }));
afterEach(cleanup);

const PART: QuoteLine = {
  kind: 'part',
  text: '8 GB DDR4-2400 DIMM',
  origin: 'third-party',
  quantity: 1,
  eachCents: 2450,
  totalCents: 2450,
} as QuoteLine;
const COMPUTED = { key: 'part 31', text: '8 GB DDR4-2400 DIMM', eachCents: 2450 };

function shown(more: Partial<QuoteLine> = {}, { computed = COMPUTED, ok = true } = {}) {
  const save = jest.fn(async () => (ok ? { ok: true } : { ok: false, code: 'busy', sentence: 'Try again.' }));
  const saving = { busy: false, sentence: null, save } as unknown as Saving;
  render(
    <WithWords>
      <table>
        <tbody>
          <DraftLine line={{ ...PART, ...more } as QuoteLine} computed={computed} place={2} saving={saving} />
        </tbody>
      </table>
    </WithWords>,
  );
  return save;
}
const open = () => userEvent.click(screen.getByRole('button', { name: /override/ }));
const price = () => screen.getByRole<HTMLInputElement>('textbox', { name: /[Pp]rice/ });

describe('a line of a draft', () => {
  it('is overridden, with what was seen, so that nobody’s change is lost', async () => {
    const save = shown();
    await open();
    await userEvent.clear(price());
    await userEvent.type(price(), '22.00');
    await userEvent.clear(screen.getByLabelText('Text'));
    await userEvent.type(screen.getByLabelText('Text'), 'Memory, 8 GB');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(save).toHaveBeenCalledWith('PUT', '/api/jobs/5/options/2/lines', {
      key: 'part 31',
      text: 'Memory, 8 GB',
      eachCents: 2200,
      seen: { text: null, eachCents: null },
    });
    // It is a line again.
    expect(screen.queryByRole('textbox')).toBeNull();
  });

  it('sends nothing for what is as it was calculated', async () => {
    const save = shown();
    await open();
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(save).toHaveBeenCalledWith(
      'PUT',
      expect.any(String),
      expect.objectContaining({ text: null, eachCents: null }),
    );
  });

  it('shows what was calculated beside what was typed, and goes back to it', async () => {
    const save = shown({ text: 'Memory', eachCents: 2000, totalCents: 2000 });
    expect(screen.getByText(/calculated: 8 GB DDR4-2400 DIMM, €24.50/)).toBeTruthy();
    await open();
    await userEvent.click(screen.getByRole('button', { name: 'Reset' }));
    expect(save).toHaveBeenCalledWith('PUT', expect.any(String), {
      key: 'part 31',
      text: null,
      eachCents: null,
      seen: { text: 'Memory', eachCents: 2000 },
    });
  });

  it('takes a credit as it is typed, above 0, and keeps it a credit', async () => {
    const computed = { key: 'credit A1', text: 'Credit for your 4 GB module', eachCents: -400 };
    const save = shown(
      { kind: 'credit', text: computed.text, eachCents: -400, totalCents: -400 } as Partial<QuoteLine>,
      {
        computed,
      },
    );
    await open();
    expect(price().value).toBe('4.00');
    await userEvent.clear(price());
    await userEvent.type(price(), '5');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(save).toHaveBeenCalledWith('PUT', expect.any(String), expect.objectContaining({ eachCents: -500 }));
  });

  it('says at the field what is no price, and sends nothing', async () => {
    const save = shown();
    await open();
    await userEvent.clear(price());
    await userEvent.type(price(), 'cheap');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(screen.getAllByText(/Enter the price of one/).length).toBeGreaterThan(0);
    expect(save).not.toHaveBeenCalled();
  });

  it('keeps what was typed where it could not be saved', async () => {
    shown({}, { ok: false });
    await open();
    await userEvent.clear(price());
    await userEvent.type(price(), '21');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(price().value).toBe('21');
  });

  it('is left as it was by Escape', async () => {
    const save = shown();
    await open();
    await userEvent.keyboard('{Escape}');
    expect(screen.queryByRole('textbox')).toBeNull();
    expect(save).not.toHaveBeenCalled();
  });

  it('is not overridden where it is agreed for the whole quote', () => {
    shown({ kind: 'discount', text: 'Discount: regular' } as Partial<QuoteLine>);
    expect(screen.queryByRole('button')).toBeNull();
  });
});
