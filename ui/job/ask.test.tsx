/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Gap } from '@/core/machine/case-of-job';
import { limitsOfClaims } from '@/core/machine/case-of-job';
import { known, slot } from '@/core/machine/samples';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import { WithWords } from '@/ui/words/testing/with-words';
import { Ask } from './ask';

let job: object;
const save = jest.fn(async () => ({ ok: true }));
jest.mock('./job-context', () => ({ useJob: () => ({ job }) }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
afterEach(() => {
  cleanup();
  save.mockClear();
});

function asked(gaps: Gap[], slots: JobSlot[]) {
  const shown = { installedMiB: null, rateMTs: null };
  job = { id: 7, gaps, slots, slotsVersion: 3, claims: [], limits: limitsOfClaims([]), shown };
  render(
    <WithWords>
      <Ask />
    </WithWords>,
  );
}
const rateOnly = (rateMTs: number) => slot('A1', { ...known, generation: null, voltagesMv: null, rateMTs });

test('the generation that follows from a rate comes first with its reason, the others are folded', async () => {
  asked([{ what: 'generations' }, { what: 'form' }], [rateOnly(2666)]);
  const region = screen.getByRole('region', { name: 'Question' });
  expect(region.textContent).toContain('Which memory generation does this machine take? (1 more after this)');
  expect(within(region).getByText('2666 MT/s is a DDR4 rate.')).toBeTruthy();
  const folded = region.querySelector('details');
  expect(folded?.open).toBe(false);
  expect(folded?.contains(screen.getByText('DDR4'))).toBe(false);
  expect([...(folded?.querySelectorAll('button') ?? [])].map((one) => one.textContent)).toEqual([
    'DDR5',
    'DDR3',
    'DDR2',
    'DDR',
    'SDR',
  ]);
  await userEvent.click(screen.getByText('DDR4'));
  expect(save).toHaveBeenCalledWith('PUT', '/api/jobs/7/limits', {
    decisions: [expect.objectContaining({ limit: 'generations', value: ['DDR4'] })],
  });
});

test('two that a rate allows both come first, the one that the voltage speaks for before the other', () => {
  asked([{ what: 'generations' }], [rateOnly(3200)]);
  const first = [...screen.getByRole('region').querySelectorAll(':scope > div button')].map((one) => one.textContent);
  expect(first).toEqual(['DDR5', 'DDR4']);
  cleanup();
  asked([{ what: 'generations' }], [slot('A1', { ...known, generation: null, voltagesMv: [1200], rateMTs: 3200 })]);
  expect(screen.getAllByRole('button')[0]?.textContent).toBe('DDR4');
  expect(screen.getByText('1.2 V is the voltage of DDR4.')).toBeTruthy();
});

test('what is told of a module is told of all that are known no better', async () => {
  const unknown = { ...known, rateMTs: null };
  asked([{ what: 'module', slot: 'A1', fields: ['rateMTs'] }], [slot('A1', unknown), slot('B1', unknown), slot('C1')]);
  expect(screen.getByText(/^How fast is each of the 2 modules in A1 and B1\?/)).toBeTruthy();
  await userEvent.type(screen.getByLabelText('Or type it'), '2400{Enter}');
  const [, path, body] = save.mock.calls[0] as unknown as [string, string, { version: number; slots: JobSlot[] }];
  expect([path, body.version]).toEqual(['/api/jobs/7/slots', 3]);
  expect(body.slots.map(({ module, moduleSource }) => [module?.rateMTs ?? null, moduleSource])).toEqual([
    [2400, 'typed'],
    [2400, 'typed'],
    [null, 'typed'],
  ]);
});

test('what is no rate and no size is refused at the field and not sent', async () => {
  const unknown = { ...known, rateMTs: null, capacityMiB: null };
  asked([{ what: 'module', slot: 'A1', fields: ['capacityMiB'] }], [slot('A1', unknown)]);
  await userEvent.type(screen.getByLabelText('Or type it'), 'large{Enter}');
  expect(screen.getByText('Enter a size such as 2 GB.')).toBeTruthy();
  cleanup();
  asked([{ what: 'module', slot: 'A1', fields: ['rateMTs'] }], [slot('A1', { ...known, rateMTs: null })]);
  await userEvent.type(screen.getByLabelText('Or type it'), 'fast{Enter}');
  expect(screen.getByText('Enter the rate as a number, such as 1333.')).toBeTruthy();
  expect(save).not.toHaveBeenCalled();
});

test.each([[[]], [[{ what: 'slots' }]]])('gaps %j ask nothing here', (gaps) => {
  asked(gaps as Gap[], []);
  expect(screen.queryByRole('region')).toBeNull();
});
