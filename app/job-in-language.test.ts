import { checklistOf } from '@/core/fitting/checklist';
import type { PageJob } from '@/service/job/view';
import { jobInLanguage } from './job-in-language';

const source = (name: string) => ({ kind: 'evidence', name });

const job = {
  needs: { uses: [{ use: 'games', needMiB: 16_384, reason: 'what new games ask for' }], systems: [], floorMiB: 0 },
  claims: [
    { limit: 'moduleMiB', value: 8192, source: source('24 GB less 8 GB soldered ÷ 2 slots') },
    { limit: 'totalMiB', value: 8192, source: source('Lid label, by Runa') },
  ],
  limits: { provenTotalMiB: { value: 8192, source: source('worked in 2 tests') }, totalMiB: null },
  trials: [{ note: 'proof of job 7; quiet since' }],
  modelQuestion: {
    text: 'Which year is on the label?',
    answers: [{ id: 1, text: 'since 2021', memory: 'DDR4 SO-DIMM · 2 slots and soldered memory · 24 GB in total' }],
  },
  readings: [
    {
      name: 'label of B1',
      line: 'SMBIOS text of Tarnholt TC4-1900: 4 slots, 1 filled with 8 GB',
      warnings: [],
      apart: null,
    },
  ],
  readingWarnings: [],
  machineFacts: [{ label: 'Maker', text: 'Tarnholt' }],
  slotFacts: { A1: { place: '', values: [{ label: 'Capacity', text: '8 GB' }] } },
  work: {
    fitting: {
      steps: checklistOf({
        opening: [
          { text: 'Undo the lid', caution: '', tool: '', fasteners: 4, lengthMm: 6, unplug: '', minutes: null },
        ],
        slots: [],
        library: [],
        fillOrder: [],
        option: { before: [], after: [], shop: { placement: {}, kept: [] } },
        generation: 'DDR4',
        form: 'SO-DIMM',
      } as never),
    },
    proofs: [{ findings: [{ what: 'Total', promised: '16 GB', found: 'not told', note: '' }] }],
  },
} as unknown as PageJob;

test('what Fenbrik says of a job is German on a German screen, what people wrote stays', () => {
  const german = jobInLanguage(job, 'de');
  expect(german.readings[0]?.line).toBe('SMBIOS-Text von Tarnholt TC4-1900: 4 Steckplätze, 1 belegt mit 8 GB');
  expect(german.readings[0]?.name).toBe('Etikett von B1');
  expect(german.needs.uses).toEqual([
    { use: 'games', text: 'Spiele', needMiB: 16_384, reason: 'was neue Spiele verlangen' },
  ]);
  expect(german.claims.map(({ source: { name } }) => name)).toEqual([
    '24 GB ohne 8 GB verlötet ÷ 2 Steckplätze',
    'Lid label, by Runa',
  ]);
  expect(german.limits.provenTotalMiB?.source.name).toBe('in 2 Tests gelaufen');
  expect(german.limits.totalMiB).toBeNull();
  expect(german.trials[0]?.note).toBe('Nachweis zu Auftrag 7; quiet since');
  expect(german.modelQuestion).toEqual({
    text: 'Welches Jahr steht auf dem Etikett?',
    answers: [
      { id: 1, text: 'seit 2021', memory: 'DDR4 SO-DIMM · 2 Steckplätze und verlöteter Speicher · insgesamt 24 GB' },
    ],
  });
  expect(german.machineFacts[0]).toMatchObject({ label: 'Hersteller', text: 'Tarnholt' });
  expect(german.work.proofs[0]?.findings[0]).toEqual({
    what: 'Gesamt',
    promised: '16 GB',
    found: 'nicht gemeldet',
    note: '',
  });
  const steps = german.work.fitting?.steps ?? [];
  expect(steps.find(({ key }) => key === 'open.1')?.text).toBe('Undo the lid');
  expect(steps.find(({ key }) => key === 'close.1')?.text).toBe('Die 4 Schrauben aus Schale 1 wieder eindrehen');
  // Every step of ours has German words.
  const ours = (job.work.fitting?.steps ?? []).filter(({ key }) => !key.startsWith('open.'));
  const same = ours.filter(({ key, text }) => steps.find((one) => one.key === key)?.text === text);
  expect(same.map(({ text }) => text)).toEqual([]);
});

test('an English screen has it as it is', () => {
  expect(jobInLanguage(job, 'en')).toBe(job);
});
