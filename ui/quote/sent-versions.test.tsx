/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { SentMail, SentVersion } from '@/service/job/quote/view';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { SentVersions } from './sent-versions';

let job: object;
const save = jest.fn(async () => ({ ok: true }));
jest.mock('../job/job-context', () => ({ useJob: () => ({ job }) }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }));
// What the customer reads has tests of its own.
jest.mock('./sent-options', () => ({ SentOptions: () => null }));
afterEach(() => {
  cleanup();
  save.mockClear();
});

const version = (more: Partial<SentVersion>): SentVersion => ({
  number: '2026-0001',
  version: 1,
  state: 'sent',
  link: { token: 'abc' },
  mail: [],
  change: null,
  sentOn: '2026-12-01',
  sentBy: 'Teo Marsh',
  validUntil: '2026-12-15',
  options: [{ place: 1, totalMiB: 65_536, totalCents: 20_300 }] as SentVersion['options'],
  paper: {} as SentVersion['paper'],
  standing: 'open',
  openedOn: null,
  answer: null,
  questions: [],
  ...more,
});
const mail = (more: Partial<SentMail>): SentMail => ({
  id: 8,
  kind: 'quote',
  to: 'lisbet@photoclub.example',
  state: 'sent',
  tries: 1,
  nextAt: '2026-12-01T14:05:00Z',
  sentence: null,
  sentAt: '2026-12-01T14:05:00Z',
  ...more,
});
function shown(sent: SentVersion[], { email = 'lisbet@photoclub.example', language = 'en' as StaffLanguage } = {}) {
  job = { id: 5, sent, customer: { email }, currency: 'EUR' };
  render(
    <WithWords language={language}>
      <SentVersions />
    </WithWords>,
  );
}
const last = () => (save.mock.calls.at(-1) as unknown as [string, string, object]).slice(1);

describe('what was sent to a customer', () => {
  it('is nothing before the first version', () => {
    shown([]);
    expect(screen.queryByRole('region')).toBeNull();
  });

  it('says when, by whom and until when, and whether it was opened', () => {
    shown([version({})]);
    const region = screen.getByRole('region', { name: 'Sent versions' });
    expect(region.textContent).toContain('1 December 2026, by Teo Marsh; valid until 15 December 2026');
    expect(region.textContent).toContain('not opened yet');
    expect(screen.getByRole('link', { name: 'Customer’s page' }).getAttribute('href')).toBe('/q/abc');
    expect(screen.getByRole('link', { name: 'PDF' }).getAttribute('href')).toBe('/q/abc/pdf');
    expect(screen.getByRole('link', { name: 'UBL' }).getAttribute('href')).toBe('/q/abc/ubl/1');
  });

  it('is mailed by a press or by M, and not a second time', async () => {
    shown([version({})]);
    await userEvent.click(screen.getByRole('button', { name: /^Send to lisbet@photoclub.example/ }));
    await userEvent.keyboard('m');
    expect(save).toHaveBeenCalledTimes(2);
    expect(last()).toEqual(['/api/jobs/5/quote/mail', { version: 1 }]);
    cleanup();
    shown([version({ mail: [mail({})] })]);
    expect(screen.queryByRole('button', { name: /^Send to/ })).toBeNull();
    cleanup();
    shown([version({})], { email: '' });
    expect(screen.getByText('no e-mail address on Intake')).toBeTruthy();
  });

  it.each([
    [{ state: 'waiting', tries: 0 }, 'waiting to be sent', false],
    [{ state: 'waiting', tries: 2, sentence: 'no answer' }, 'waits after 2 tries (no answer)', false],
    [{ state: 'sending' }, 'being sent', false],
    [{ state: 'sent' }, 'accepted by the mail server', false],
    [{ state: 'refused', sentence: '550 unknown' }, 'refused (550 unknown)', true],
    [{ state: 'unsure' }, 'ask before you send it again', true],
    [{ state: 'given-up', kind: 'reminder' }, 'Reminder to lisbet@photoclub.example: failed', false],
  ] as [Partial<SentMail>, string, boolean][])('says how far its mail is: %j', async (more, words, mayAgain) => {
    shown([version({ mail: [mail(more)] })]);
    expect(screen.getByRole('list', { name: 'E-mail' }).textContent).toContain(words);
    const again = screen.queryByRole('button', { name: 'Send again' });
    expect(again !== null).toBe(mayAgain);
    if (again === null) return;
    await userEvent.click(again);
    expect(last()).toEqual(['/api/jobs/5/mail', { id: 8 }]);
  });

  it('shows who accepted and what was ticked', () => {
    const answer = {
      kind: 'accepted',
      place: 1,
      signed: 'Lisbet Arkwright',
      on: '2026-12-02',
      ticked: ['Above the limit.'],
    };
    shown([version({ standing: 'accepted', answer: answer as SentVersion['answer'] })]);
    const text = screen.getByRole('region').textContent;
    expect(text).toContain('✓ option 1 accepted on 2 December 2026');
    expect(text).toContain('Signed “Lisbet Arkwright”, having agreed to this: “Above the limit.”');
  });

  it('shows why it was declined', () => {
    const answer = { kind: 'declined', on: '2026-12-02', words: 'too dear' } as SentVersion['answer'];
    shown([version({ standing: 'declined', answer })]);
    expect(screen.getByText('Why not: “too dear”')).toBeTruthy();
  });

  it('has its questions answered at their place', async () => {
    const questions = [
      { id: 3, words: 'How long does it take?', on: '2026-12-02', reply: null },
      { id: 2, words: 'Is it new?', on: '2026-12-01', reply: { words: 'Yes.', on: '2026-12-02' } },
    ] as SentVersion['questions'];
    shown([version({ questions })]);
    expect(screen.getByText('“Yes.”', { exact: false })).toBeTruthy();
    const button = screen.getByRole('button', { name: 'Answer' });
    expect(button.hasAttribute('disabled')).toBe(true);
    await userEvent.type(screen.getByLabelText(/^Your answer/), 'Two hours.{Enter}');
    expect(last()).toEqual(['/api/jobs/5/quote/reply', { question: 3, words: 'Two hours.' }]);
  });

  it('has a link that can be withdrawn and made new', async () => {
    shown([version({})]);
    await userEvent.click(screen.getByRole('button', { name: 'Withdraw link' }));
    expect(last()).toEqual(['/api/jobs/5/quote/link', { version: 1, to: 'withdrawn' }]);
    cleanup();
    shown([version({ link: null })]);
    expect(screen.queryByRole('link')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Create a new link' }));
    expect(last()).toEqual(['/api/jobs/5/quote/link', { version: 1, to: 'renewed' }]);
  });

  it('folds what a later version replaced, and says what that changed', () => {
    const change: SentVersion['change'] = [{ what: 'price', place: 1, moreCents: 150 }];
    shown([version({ version: 2, number: '2026-0002', change }), version({ state: 'replaced', standing: 'replaced' })]);
    const [now, before] = screen.getAllByRole('listitem');
    expect(now?.textContent).toContain('Compared with the version before: Option 1 is €1.50 more.');
    expect(before?.querySelector('details')?.open).toBe(false);
    expect(within(before as HTMLElement).getByText('64 GB €203.00')).toBeTruthy();
    expect(before?.textContent).toContain('replaced by a later one');
  });

  it('is German on a German screen', () => {
    shown([version({ mail: [mail({ state: 'unsure' })] })], { language: 'de' });
    expect(screen.getByText(/noch nicht geöffnet/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Erneut senden' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Link zurückziehen' })).toBeTruthy();
  });
});
