/** @jest-environment jsdom */

import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { GB, known, slot } from '@/core/machine/samples';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { WishFields } from './wish-fields';

let job: object;
const save = jest.fn(async () => ({ ok: true, value: null }));
jest.mock('../job/job-context', () => ({ useJob: () => ({ job }) }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
beforeEach(() => sessionStorage.clear());
afterEach(() => {
  cleanup();
  save.mockClear();
});

const NEEDS = {
  uses: [
    { use: 'office', needMiB: 8 * GB, reason: 'letters' },
    {
      use: 'many browser tabs',
      text: 'viele Browser-Tabs',
      needMiB: 16 * GB,
      reason: 'jeder Tab belegt einige Hundert MB',
    },
  ],
  systems: [{ os: 'Tidewater 9', leastMiB: 4 * GB, visibleMiB: null }],
  floorMiB: 0,
};
let nr = 100;
function shown(wants: object, { needMiB = null as number | null, language = 'en' as StaffLanguage } = {}) {
  // Every job is another: what one wrote is remembered by its number.
  nr += 1;
  job = {
    id: nr,
    complaint: '',
    customer: { name: '', phone: '', email: '' },
    machine: {},
    cpu: { told: '', chosen: null, choices: [] },
    needMiB,
    budgetCents: null,
    neededBy: null,
    makerAsks: { totalMiB: null, cents: null },
    cover: null,
    currency: 'EUR',
    wants: { uses: [], inUseMiB: null, full: null, os: '', osBits: null, ...wants },
    needs: NEEDS,
    slots: [slot('A1', known)],
  };
  render(
    <WithWords language={language}>
      <WishFields />
    </WithWords>,
  );
}
const set = () => (save.mock.calls.at(-1) as unknown as [string, string, { set: object }])[2].set;

describe('what a customer wants', () => {
  it('is pressed, use by use, under the shop’s own names', async () => {
    shown({ uses: ['office'] });
    expect(screen.getByRole('button', { name: /office/ }).getAttribute('aria-pressed')).toBe('true');
    await userEvent.click(screen.getByRole('button', { name: 'viele Browser-Tabs' }));
    // What is stored is the use's own name, whatever the screen calls it.
    expect(set()).toEqual({ uses: ['office', 'many browser tabs'] });
    await userEvent.click(screen.getByRole('button', { name: /office/ }));
    expect(set()).toEqual({ uses: [] });
  });

  it('suggests a target with its reason, and takes it', async () => {
    shown({ uses: ['office', 'many browser tabs'] });
    expect(document.body.textContent).toContain(
      'Suggests 16 GB: 16 GB for viele Browser-Tabs (jeder Tab belegt einige Hundert MB).',
    );
    await userEvent.click(screen.getByRole('button', { name: 'Use 16 GB' }));
    expect(set()).toEqual({ needMiB: 16 * GB });
  });

  it('says so once it is the target', () => {
    shown({ uses: ['office'] }, { needMiB: 8 * GB });
    expect(screen.getByText('✓ used')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Use 8 GB' })).toBeNull();
  });

  it('suggests nothing where nobody said anything', () => {
    shown({});
    expect(screen.queryByText(/^Suggests/)).toBeNull();
  });

  it('warns before memory is sold for a full disk, in the language of the screen', () => {
    shown({ full: 'storage' });
    expect(screen.getByText('The storage is full, not the memory: more memory will not help.')).toBeTruthy();
    cleanup();
    shown({ full: 'neither' }, { language: 'de' });
    expect(screen.getByText(/^Weder Arbeitsspeicher noch Laufwerk sind voll/)).toBeTruthy();
  });

  it('saves what is full, and how much is in use, once the field is left', async () => {
    shown({});
    await userEvent.selectOptions(screen.getByLabelText('What is full?'), 'memory');
    expect(set()).toEqual({ fullPart: 'memory' });
    await userEvent.type(screen.getByLabelText('Memory in use'), '7,5 GB');
    await userEvent.tab();
    expect(set()).toEqual({ inUseMiB: 7680 });
  });

  it('says at the field what is no size, and saves nothing', async () => {
    shown({});
    await userEvent.type(screen.getByLabelText('Memory in use'), 'much');
    await userEvent.tab();
    expect(screen.getByText('Enter a size above 0, such as 16 GB.')).toBeTruthy();
    expect(save).not.toHaveBeenCalled();
  });
});
