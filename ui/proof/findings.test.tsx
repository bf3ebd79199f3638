/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { GB } from '@/core/machine/samples';
import type { ProofView } from '@/service/job/bench/view';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { Findings } from './findings';

let job: object;
const save = jest.fn(async () => ({ ok: true }));
jest.mock('../job/job-context', () => ({ useJob: () => ({ job }) }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
afterEach(() => {
  cleanup();
  save.mockClear();
});

const total = (found: number, verdict: 'kept' | 'remark' | 'broken' = 'kept', note = '') => ({
  kind: 'total',
  what: 'Total',
  promised: '16 GB',
  found: `${found / GB} GB`,
  figures: { promised: 16 * GB, found },
  verdict,
  note,
});
const proof = (more: object = {}): ProofView =>
  ({
    id: 4,
    from: 'report',
    takenOn: '2026-12-01',
    takenBy: 'Teo Marsh',
    verdict: 'kept',
    remark: '',
    findings: [total(16 * GB)],
    signedOn: null,
    signedBy: null,
    depth: null,
    loadedMinutes: null,
    followUps: [],
    ...more,
  }) as ProofView;
const SIGNED = { signedOn: '2026-12-01', signedBy: 'Teo Marsh', depth: 'loaded', loadedMinutes: 20 };

function shown(
  proofs: ProofView[],
  { maySign = true, language = 'en' as StaffLanguage, machines = [] as object[] } = {},
) {
  job = {
    id: 5,
    may: { signProofs: maySign },
    machine: { modelId: 2 },
    work: { proofs, machine: 1, machines, accepted: { option: { place: 1 }, token: 'abc' } },
  };
  render(
    <WithWords language={language}>
      <Findings />
    </WithWords>,
  );
}
const sent = () => save.mock.calls.at(-1) as unknown as [string, string, object];

describe('what was found, beside the promise', () => {
  it('is nothing before the first report', () => {
    shown([]);
    expect(screen.queryByRole('region')).toBeNull();
  });

  it('stands point by point, with its verdict in words', () => {
    shown([
      proof({
        findings: [total(16 * GB), { ...total(8 * GB, 'remark', 'slower'), kind: 'rate', what: 'Running rate' }],
      }),
    ]);
    const rows = screen.getAllByRole('row').slice(1);
    expect(rows.map((row) => within(row).getByRole('rowheader').textContent)).toEqual(['Total', 'Running rate']);
    expect(rows[0]?.textContent).toContain('kept');
    expect(rows[1]?.textContent).toContain('slower');
    expect(screen.getByRole('img').getAttribute('aria-label')).not.toContain('less');
  });

  it('says how much of the total is missing in what the bar shows', () => {
    shown([proof({ verdict: 'broken', findings: [total(8 * GB, 'broken')] })]);
    expect(screen.getByText('The promise is not kept.')).toBeTruthy();
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain('8 GB');
  });

  it('is signed with how deep it was tested, and for how long', async () => {
    shown([proof()]);
    expect(screen.queryByLabelText('What the customer should know')).toBeNull();
    await userEvent.selectOptions(screen.getByLabelText('Test level'), 'run under load');
    await userEvent.type(screen.getByLabelText('Load test'), '20');
    await userEvent.click(screen.getByRole('button', { name: 'Sign' }));
    expect(sent()).toEqual([
      'POST',
      '/api/jobs/5/proof/sign',
      { proof: 4, verdict: 'kept', remark: '', depth: 'loaded', loadedMinutes: 20 },
    ]);
  });

  it('of several machines is signed for all that keep the promise, or for one', async () => {
    const machines = [
      { jobId: 5, machine: 1, proof: 'read' },
      { jobId: 5, machine: 2, proof: 'read' },
      { jobId: 5, machine: 3, proof: 'broken' },
      { jobId: 6, machine: 1, proof: 'read' },
    ];
    shown([proof()], { machines });
    const others = screen.getByRole('checkbox', { name: /and 1 other machine/ });
    await userEvent.click(screen.getByRole('button', { name: 'Sign' }));
    expect(sent()[2]).toMatchObject({ proof: 4, others: true });
    await userEvent.click(others);
    await userEvent.click(screen.getByRole('button', { name: 'Sign' }));
    expect(sent()[2]).toMatchObject({ proof: 4, others: false });
  });

  it('takes no minutes that are none', async () => {
    shown([proof()]);
    await userEvent.selectOptions(screen.getByLabelText('Test level'), 'run under load');
    await userEvent.type(screen.getByLabelText('Load test'), 'long');
    await userEvent.click(screen.getByRole('button', { name: 'Sign' }));
    expect(save).not.toHaveBeenCalled();
    expect(screen.getByLabelText('Load test').getAttribute('aria-invalid')).toBe('true');
  });

  it('is never signed as better than what was found, and carries the remark on', async () => {
    shown([proof({ verdict: 'remark', findings: [total(16 * GB, 'remark', 'It runs slower.')] })]);
    const choices = [...screen.getByLabelText<HTMLSelectElement>('The promise is').options].map(({ value }) => value);
    expect(choices).toEqual(['remark', 'broken']);
    expect(screen.getByLabelText<HTMLInputElement>('What the customer should know').value).toBe('It runs slower.');
    await userEvent.click(screen.getByRole('button', { name: 'Sign' }));
    expect(sent()[2]).toMatchObject({ verdict: 'remark', remark: 'It runs slower.', loadedMinutes: null });
  });

  it('is discarded where it was a slip', async () => {
    shown([proof()]);
    await userEvent.click(screen.getByRole('button', { name: 'Discard this reading' }));
    expect(sent()).toEqual(['POST', '/api/jobs/5/proof/drop', { proof: 4 }]);
  });

  it('is not signed by who may not', () => {
    shown([proof()], { maySign: false });
    expect(screen.queryByRole('button', { name: 'Sign' })).toBeNull();
  });

  it('has its sheet and the customer’s page once it is signed, and is asked about weeks later', async () => {
    shown([
      proof({ ...SIGNED, followUps: [{ id: 1, works: true, note: 'quiet', by: 'Edda Quill', on: '2026-12-20' }] }),
    ]);
    expect(screen.getByRole('link', { name: 'Proof sheet' }).getAttribute('href')).toBe('/api/jobs/5/proof-sheet');
    expect(screen.getByRole('link', { name: 'Customer’s page' }).getAttribute('href')).toBe('/q/abc/proof');
    expect(screen.getByRole('region', { name: 'Weeks later' }).textContent).toContain('20 December 2026: works, quiet');
    await userEvent.type(screen.getByLabelText('What the customer says'), 'freezes');
    await userEvent.click(screen.getByRole('button', { name: 'Has problems' }));
    expect(sent()).toEqual(['POST', '/api/jobs/5/proof/follow-up', { proof: 4, works: false, note: 'freezes' }]);
    expect(screen.getByLabelText<HTMLInputElement>('What the customer says').value).toBe('');
  });

  it('has no sheet where the promise is not kept', () => {
    shown([proof({ ...SIGNED, verdict: 'broken', findings: [total(8 * GB, 'broken')] })]);
    expect(screen.queryByRole('link')).toBeNull();
  });

  it('names the earlier ones, and is German on a German screen', () => {
    shown([proof({ id: 5 }), proof({ ...SIGNED, verdict: 'broken' })], { language: 'de' });
    expect(screen.getByText('Die Zusage ist erfüllt.')).toBeTruthy();
    expect(screen.getByText(/2026: nicht erfüllt/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Unterschreiben' })).toBeTruthy();
  });
});
