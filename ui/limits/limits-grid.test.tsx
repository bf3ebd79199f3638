/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Claim } from '@/core/machine/limits/limit';
import { GB, source } from '@/core/machine/samples';
import { WithWords } from '@/ui/words/testing/with-words';
import { LimitsGrid } from './limits-grid';

afterEach(cleanup);

const CLAIMS: Claim[] = [
  { limit: 'totalMiB', value: 64 * GB, source: source('board-manual') },
  { limit: 'totalMiB', value: 128 * GB, source: source('cpu-page') },
  { limit: 'form', value: 'DIMM', source: source('reading') },
] as Claim[];

function shown(claims: readonly Claim[], onPick: jest.Mock | null = jest.fn()) {
  render(
    <WithWords>
      <LimitsGrid claims={claims} onPick={onPick} />
    </WithWords>,
  );
  return onPick;
}

describe('the limits of a machine', () => {
  it('are a row each where something is known, with what each source says in its column', () => {
    shown(CLAIMS);
    const rows = screen.getAllByRole('row').slice(1);
    expect(rows.map((row) => within(row).getByRole('rowheader').textContent)).toEqual([
      'Form factor',
      'Maximum total: official',
    ]);
    const cells = within(rows[1] as HTMLElement).getAllByRole('cell');
    expect(cells.map((cell) => [cell.dataset.column, cell.textContent])).toEqual([
      ['board manual', expect.stringContaining('64 GB')],
      ['CPU page', expect.stringContaining('128 GB')],
      // Nothing is said here, so a card on a phone has no line for it.
      [undefined, ''],
      [undefined, 'Why?'],
    ]);
  });

  it('that plans lean on are asked for by name where nobody says them, and the others once somebody wants them', async () => {
    const onPick = shown(CLAIMS) as jest.Mock;
    const adds = () => screen.getAllByRole('button', { name: /^Add: / }).map((one) => one.getAttribute('aria-label'));
    expect(adds()).toEqual(['Add: Generation', 'Add: Largest module: official', 'Add: Supported rates']);
    const more = screen.getByRole('button', { name: /other limits without a source$/ });
    expect(more.getAttribute('aria-expanded')).toBe('false');
    await userEvent.click(more);
    expect(adds()).toContain('Add: Clearance');
    expect(adds()).not.toContain('Add: Form factor');
    await userEvent.click(screen.getByRole('button', { name: 'Add: Clearance' }));
    expect(onPick).toHaveBeenCalledWith(expect.objectContaining({ name: 'clearanceMm' }));
  });

  it('are no table where nothing is known', () => {
    shown([]);
    expect(screen.queryByRole('table')).toBeNull();
    expect(screen.getByText('Nothing is known of this machine’s limits yet.')).toBeTruthy();
    expect(screen.getAllByRole('button', { name: /^Add: / })).toHaveLength(5);
  });

  it('are only read by who may not decide', () => {
    shown(CLAIMS, null);
    expect(screen.queryAllByRole('button')).toEqual([]);
  });
});
