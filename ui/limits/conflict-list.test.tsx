/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { limitsOfClaims } from '@/core/machine/case-of-job';
import type { Claim } from '@/core/machine/limits/limit';
import { GB, known, slot, source } from '@/core/machine/samples';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { ConflictList } from './conflict-list';

let job: object;
const save = jest.fn(async () => ({ ok: true }));
jest.mock('../job/job-context', () => ({ useJob: () => ({ job }) }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
jest.mock('./use-consequences', () => ({
  ...jest.requireActual('./use-consequences'),
  useConsequences: () => ({ known: new Map(), working: true }),
}));
afterEach(() => {
  cleanup();
  save.mockClear();
});

const total = (gb: number, kind: Claim['source']['kind']): Claim =>
  ({ limit: 'totalMiB', value: gb * GB, source: { ...source(kind), name: `the ${kind}` } }) as Claim;
const TWO = [total(32, 'board-manual'), total(64, 'maker-page')];

function shown(claims: Claim[], more: object = {}, language: StaffLanguage = 'en') {
  job = {
    id: 5,
    claims,
    limits: limitsOfClaims(claims),
    slots: [slot('A1', known), slot('B1')],
    planCase: null,
    may: { decideLimits: true },
    machine: { modelId: 2, modelName: 'Kestwick Plate 2' },
    ...more,
  };
  render(
    <WithWords language={language}>
      <ConflictList />
    </WithWords>,
  );
}
const decisions = () => {
  const [, path, body] = save.mock.calls.at(-1) as unknown as [string, string, Record<string, unknown>];
  return { path, body };
};

describe('what cannot all be true of a machine', () => {
  it('is nothing where the sources agree', () => {
    shown([total(64, 'board-manual'), total(64, 'maker-page')]);
    expect(screen.queryByRole('list')).toBeNull();
  });

  it('names each way out with its source, and which applies until somebody decides', () => {
    shown(TWO);
    const ways = screen.getAllByRole('button', { name: /^Use/ }).map((one) => one.closest('li')?.textContent ?? '');
    expect(ways).toHaveLength(2);
    expect(ways[0]).toContain('32 GB');
    expect(ways[0]).toContain('the board-manual');
    expect(ways[0]).toContain('✓ applies until decided');
    expect(ways[1]).toContain('the maker-page');
    // What each leads to is being planned.
    expect(ways[1]).toContain('counting its plans…');
  });

  it('is decided with a reason, for this job or for every machine of the model', async () => {
    shown(TWO);
    await userEvent.type(screen.getByLabelText('Reason'), 'read on the board');
    await userEvent.click(screen.getByRole('checkbox', { name: /for every Kestwick Plate 2/ }));
    await userEvent.click(screen.getByRole('button', { name: /^Use.*64 GB/ }));
    const { path, body } = decisions();
    expect(path).toBe('/api/jobs/5/limits');
    expect(body).toMatchObject({
      decisions: [{ limit: 'totalMiB', value: 64 * GB }],
      why: 'read on the board',
      intoModel: true,
    });
    expect(screen.getByLabelText<HTMLInputElement>('Reason').value).toBe('');
  });

  it('offers no model to remember it where the machine is none of the library', () => {
    shown(TWO, { machine: { modelId: null, modelName: null } });
    expect(screen.queryByRole('checkbox')).toBeNull();
  });

  it('shows who decided, when and why, and takes the decision back', async () => {
    const decided = {
      limit: 'totalMiB',
      value: 64 * GB,
      source: { kind: 'technician', name: 'Teo Marsh', on: '2026-12-01', note: 'read on the board' },
    } as Claim;
    shown([...TWO, decided]);
    const conflict = within(screen.getByRole('list', { name: 'Conflicts' }));
    expect(conflict.getByText(/Teo Marsh.*1 December 2026.*“read on the board”/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Undo the decision' }));
    expect(decisions().body.decisions).toEqual([expect.objectContaining({ limit: 'totalMiB', value: null })]);
  });

  it('is only read by who may not decide', () => {
    shown(TWO, { may: { decideLimits: false } });
    expect(screen.queryAllByRole('button')).toEqual([]);
    expect(screen.queryByLabelText('Reason')).toBeNull();
    expect(screen.getByText('✓ applies until decided')).toBeTruthy();
  });

  it('says when more runs in it than documents allow', () => {
    shown([total(4, 'board-manual')], { slots: [slot('A1', { ...known, capacityMiB: 8 * GB }), slot('B1')] });
    expect(screen.getByRole('list', { name: 'Conflicts' }).textContent).toContain('8 GB');
  });

  it('is German on a German screen', () => {
    shown(TWO, {}, 'de');
    expect(screen.getByText('✓ gilt bis zur Entscheidung')).toBeTruthy();
    expect(screen.getByLabelText('Grund')).toBeTruthy();
  });
});
