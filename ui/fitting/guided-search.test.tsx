/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { CAUSES, SIGNS, SUSPECTS } from '@/core/fitting/guide-data';
import type { SearchView } from '@/service/job/bench/view';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { GuidedSearch } from './guided-search';

let job: object;
const save = jest.fn(async () => ({ ok: true }));
jest.mock('../job/job-context', () => ({ useJob: () => ({ job }) }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
afterEach(() => {
  cleanup();
  save.mockClear();
});

const search = (more: Partial<SearchView>): SearchView =>
  ({
    id: 3,
    sign: 'beeps',
    beeps: '',
    beganBy: 'Teo Marsh',
    tests: [],
    ended: null,
    about: '',
    endedBy: '',
    ...more,
  }) as SearchView;
const BEEP = { id: 1, pattern: '1 long, 2 short', means: 'no memory found' };

function shown(searches: SearchView[], { mayWrite = true, language = 'en' as StaffLanguage, maker = 'Kestwick' } = {}) {
  job = { id: 5, work: { searches, beeps: [BEEP] }, machine: { maker }, may: { writeLibrary: mayWrite } };
  render(
    <WithWords language={language}>
      <GuidedSearch />
    </WithWords>,
  );
}
const tested = (test: string, outcome: string) => ({ test, outcome, by: 'Teo Marsh' });
const lastSent = () => save.mock.calls.at(-1) as unknown as [string, string, object];

describe('a search for a fault', () => {
  it('begins with what is seen or heard, and takes the beeps along', async () => {
    shown([]);
    await userEvent.click(screen.getByRole('button', { name: 'Start troubleshooting' }));
    expect(screen.getAllByRole('button').map(({ textContent }) => textContent)).toEqual(
      expect.arrayContaining(['It beeps and does not start', 'Nothing happens at all', 'It runs in one channel only']),
    );
    await userEvent.type(screen.getByLabelText('Beeps, if any'), '2 long');
    await userEvent.click(screen.getByRole('button', { name: 'It beeps and does not start' }));
    expect(lastSent()).toEqual(['POST', '/api/jobs/5/search', { what: 'begin', sign: 'beeps', beeps: '2 long' }]);
  });

  it('has words for every sign in German, too', async () => {
    shown([], { language: 'de' });
    await userEvent.click(screen.getByRole('button', { name: 'Fehlersuche starten' }));
    expect(screen.getByText('Was ist zu sehen oder zu hören?')).toBeTruthy();
    const names = screen.getAllByRole('button').map(({ textContent }) => textContent ?? '');
    expect(names.filter((name) => /^(?:Es|Kein)\b/.test(name))).toHaveLength(SIGNS.length);
  });

  it('fills in a maker’s beeps where somebody knows them', async () => {
    shown([]);
    await userEvent.click(screen.getByRole('button', { name: 'Start troubleshooting' }));
    await userEvent.click(screen.getByText('Beep codes of Kestwick: 1'));
    await userEvent.click(screen.getByRole('button', { name: 'This one' }));
    expect(screen.getByLabelText<HTMLInputElement>('Beeps, if any').value).toBe('1 long, 2 short');
    await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect(lastSent().slice(0, 2)).toEqual(['DELETE', '/api/beeps/1']);
  });

  it('lets only those note beeps who may write the library', async () => {
    shown([], { mayWrite: false });
    await userEvent.click(screen.getByRole('button', { name: 'Start troubleshooting' }));
    expect(screen.queryByRole('button', { name: 'Delete' })).toBeNull();
    expect(screen.queryByLabelText('Meaning')).toBeNull();
  });

  it('shows the next test with its outcomes, and strikes the causes that are ruled out', async () => {
    shown([search({ tests: [tested('labels', 'agree')] as SearchView['tests'] })]);
    expect(screen.getByText('Take all modules out and seat them again')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Still the same' }));
    expect(lastSent()[2]).toEqual({ what: 'tested', test: 'reseat', outcome: 'same' });
    const tried = screen.getByRole('list', { name: 'Tried so far' });
    expect(tried.textContent).toContain('Compare the labels with the order: All as ordered');
    cleanup();
    const both = [tested('labels', 'agree'), tested('reseat', 'same')] as SearchView['tests'];
    shown([search({ tests: both })]);
    const struck = screen
      .getAllByText('ruled out:', { exact: false })
      .map(({ parentElement }) => parentElement?.textContent);
    expect(struck).toEqual(['ruled out: a module that is not seated properly']);
    const all = within(screen.getByRole('heading', { name: 'It may still be' }).parentElement as HTMLElement);
    expect(all.getAllByRole('listitem')).toHaveLength(SUSPECTS.beeps.length);
    expect(CAUSES.length).toBeGreaterThan(SUSPECTS.beeps.length);
    await userEvent.click(screen.getByRole('button', { name: 'Undo the last step' }));
    expect(lastSent()[2]).toEqual({ what: 'undo' });
  });

  it('says what the tests came to, asks which part it was, and ends', async () => {
    const tests = [tested('labels', 'agree'), tested('reseat', 'same'), tested('alone', 'one')] as SearchView['tests'];
    shown([search({ tests })]);
    expect(screen.getByRole('heading', { name: 'It is' })).toBeTruthy();
    await userEvent.type(screen.getByLabelText('Which one'), 'the one in B1');
    await userEvent.click(screen.getByRole('button', { name: 'Faulty module: return it to the seller' }));
    expect(lastSent()[2]).toEqual({ what: 'end', end: 'bad-module', about: 'the one in B1' });
  });

  it('stays to be read once it has ended, and can be opened again', async () => {
    shown([search({ ended: 'bad-module', about: 'the one in B1', endedBy: 'Teo Marsh' })]);
    expect(screen.getByText('Faulty module: return it to the seller: the one in B1')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Open the search again' }));
    expect(lastSent()[2]).toEqual({ what: 'reopen' });
    cleanup();
    shown([search({ ended: 'fixed', about: '' })], { language: 'de' });
    expect(screen.getByText('Behoben: Es ist jetzt wie zugesagt')).toBeTruthy();
  });

  it('keeps the names of tests that are no longer made', () => {
    shown([search({ tests: [tested('shake', 'rattles')] as SearchView['tests'] })]);
    expect(screen.getByRole('list', { name: 'Tried so far' }).textContent).toContain('shake: rattles');
  });
});
