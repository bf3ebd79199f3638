'use client';
import { useRouter } from 'next/navigation';
import { type FormEvent, useEffect, useState } from 'react';
import { dayText } from '@/core/day-text';
import { capacityText } from '@/core/memory/capacity';
import { moneyText } from '@/core/pricing/money-text';
import type { CustomerQuestion } from '@/core/quoting/quote-answer';
import type { SentMail, SentVersion } from '@/service/job/quote/view';
import { copyText } from '../client/copy-text';
import { useKeys } from '../client/use-keys';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { KeyHint } from '../kit/key-hint';

function CopyLink({ path }: { path: string }) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    const link = new URL(path, window.location.href).href;
    if (await copyText(link)) setCopied(true);
    else window.prompt('The customer’s link', link);
  };
  return <Button onClick={copy}>{copied ? 'Link copied' : 'Copy the link'}</Button>;
}

/** How a version stands, in a word or two. */
function Standing({ version: { standing, openedOn, answer, validUntil } }: { version: SentVersion }) {
  const said = answer === null ? null : dayText(answer.on);
  if (standing === 'accepted' && answer?.kind === 'accepted')
    return (
      <span className="text-good">
        {' '}
        · ✓ option {answer.place} accepted on {said}
      </span>
    );
  const words = {
    accepted: '',
    declined: `declined on ${said}`,
    lapsed: `lapsed on ${dayText(validUntil)}`,
    open: openedOn === null ? 'not opened yet' : `opened on ${dayText(openedOn)}`,
    replaced:
      answer?.kind === 'accepted'
        ? `option ${answer.place} accepted on ${said}, then changed`
        : 'replaced by a later one',
  }[standing];
  return <span className="font-normal text-ink-2"> · {words}</span>;
}

/** What was asked, and what was answered or is to be. */
function Asked({ question: { id, words, on, reply } }: { question: CustomerQuestion }) {
  const { job } = useJob();
  const [typed, setTyped] = useState('');
  const { busy, sentence, save } = useSave();
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (typed.trim() !== '') void save('POST', `/api/jobs/${job.id}/quote/reply`, { question: id, words: typed });
  };
  return (
    <li>
      <span className={reply === null ? 'text-mind font-semibold' : 'text-ink-2'}>Asked on {dayText(on)}:</span> “
      {words}”
      {reply !== null && (
        <p>
          <span className="text-ink-2">Answered on {dayText(reply.on)}:</span> “{reply.words}”
        </p>
      )}
      {reply === null && (
        <form onSubmit={send} className="flex flex-wrap gap-2 items-end mt-1">
          <Field
            label="Your answer, which the customer will read on the quote’s page"
            className="grow min-w-72"
            maxLength={2000}
            value={typed}
            error={sentence}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="submit" disabled={busy || typed.trim() === ''}>
            Answer it
          </Button>
        </form>
      )}
    </li>
  );
}

/** What the customer said beside yes or no. */
function Said({ version: { answer, questions } }: { version: SentVersion }) {
  const isSilent = questions.length === 0 && (answer === null || (answer.kind === 'declined' && answer.words === ''));
  if (isSilent) return null;
  return (
    <ul className="text-sm mt-1 grid gap-0.5">
      {answer?.kind === 'accepted' && (
        <li>
          Signed “{answer.signed}”
          {answer.ticked.length > 0 && `, having agreed to ${answer.ticked.length === 1 ? 'this' : 'these'}: `}
          {answer.ticked.map((statement) => `“${statement}”`).join(' ')}
        </li>
      )}
      {answer?.kind === 'declined' && answer.words !== '' && <li>Why not: “{answer.words}”</li>}
      {questions.map((question) => (
        <Asked key={question.id} question={question} />
      ))}
    </ul>
  );
}

/** Mails the version that is out, where the customer has an address and it did not go yet. */
function MailIt({ version: { version, state, mail } }: { version: SentVersion }) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const { email } = job.customer;
  const isOut = mail.some((one) => one.kind === 'quote' && MAY_HAVE_GONE.has(one.state) && one.to === email);
  const may = state === 'sent' && email !== '' && !isOut && !busy;
  const send = () => void save('POST', `/api/jobs/${job.id}/quote/mail`, { version });
  useKeys({ m: () => may && send() });
  if (state !== 'sent' || isOut) return null;
  if (email === '') return <span className="text-sm text-ink-2 self-center">no mail address on Intake</span>;
  return (
    <>
      <Button disabled={!may} onClick={send} aria-keyshortcuts="m">
        Mail it to {email} <KeyHint of="M" />
      </Button>
      <Fault sentence={sentence} />
    </>
  );
}

const MAY_HAVE_GONE: ReadonlySet<SentMail['state']> = new Set(['waiting', 'sending', 'sent', 'unsure']);

/** A time as `14:05`, where the reader is. */
const clock = (iso: string): string =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** How far a mail has come, in words. */
function mailWords({ kind, to, state, tries, nextAt, sentence, sentAt }: SentMail): string {
  const what = kind === 'quote' ? `Mailed to ${to}` : `Reminder to ${to}`;
  const said = sentence === null ? '' : ` (${sentence})`;
  const tried = tries === 1 ? 'one try' : `${tries} tries`;
  switch (state) {
    case 'waiting':
      return tries === 0 ? `${what}: about to go` : `${what}: waits after ${tried}${said}, next at ${clock(nextAt)}`;
    case 'sending':
      return `${what}: on its way`;
    case 'sent':
      return `${what}: taken by the mail server at ${clock(sentAt ?? '')}`;
    case 'refused':
      return `${what}: refused${said}`;
    case 'unsure':
      return `${what}: it may have arrived or not${said}; ask before you send it again`;
    case 'given-up':
      return `${what}: given up${said}`;
  }
}

/** What was mailed of a version. */
function Mails({ version: { mail } }: { version: SentVersion }) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const router = useRouter();
  const isMoving = mail.some(({ state, tries }) => state === 'sending' || (state === 'waiting' && tries === 0));
  useEffect(() => {
    if (!isMoving) return;
    const look = setInterval(() => router.refresh(), LOOK_MS);
    return () => clearInterval(look);
  }, [isMoving, router]);
  if (mail.length === 0) return null;
  return (
    <div role="status">
      <ul className="text-sm mt-1 grid gap-0.5" aria-label="Mail">
        {mail.map((one) => {
          const isStuck = one.state === 'refused' || one.state === 'unsure';
          return (
            <li
              key={one.id}
              className={isStuck ? 'text-stop font-medium' : one.state === 'sent' ? 'text-good' : 'text-ink-2'}
            >
              {one.state === 'sent' && '✓ '}
              {mailWords(one)}{' '}
              {isStuck && (
                <Button
                  weight="quiet"
                  disabled={busy}
                  onClick={() => void save('POST', `/api/jobs/${job.id}/mail`, { id: one.id })}
                >
                  Send it again
                </Button>
              )}
            </li>
          );
        })}
        <Fault sentence={sentence} />
      </ul>
    </div>
  );
}

/** While a mail is under way it is looked after so often, ms. */
const LOOK_MS = 1500;

/** How the customer reaches a version: page, PDF and link, its files for other programs, and the link's end. */
function Reach({ version: sent }: { version: SentVersion }) {
  const { version, link, options } = sent;
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const change = (to: 'withdrawn' | 'renewed') => void save('POST', `/api/jobs/${job.id}/quote/link`, { version, to });
  if (link === null || link.token === null)
    return (
      <div className="flex flex-wrap items-center gap-3">
        <span className="text-sm text-ink-2">
          {link === null
            ? 'Its link is withdrawn: it opens nothing.'
            : 'Its link was made elsewhere and cannot be shown.'}
        </span>
        <Button disabled={busy} onClick={() => change('renewed')}>
          Make a new link
        </Button>
        <Fault sentence={sentence} />
      </div>
    );
  const path = `/q/${link.token}`;
  const file = (name: string, to: string) => (
    <a href={`${path}/${to}`} className="underline underline-offset-4" download>
      {name}
    </a>
  );
  return (
    <div className="grid gap-1.5 justify-items-end">
      <div className="flex flex-wrap gap-2">
        <a href={path} target="_blank" rel="noreferrer" className={buttonLook('plain')}>
          Customer’s page
        </a>
        <a href={`${path}/pdf`} target="_blank" rel="noreferrer" className={buttonLook('plain')}>
          PDF
        </a>
        <CopyLink path={path} />
        <MailIt version={sent} />
      </div>
      <div className="flex flex-wrap items-center gap-3 text-sm">
        {file('CSV', 'csv')}
        {file('JSON', 'json')}
        {options.map(({ place }) => (
          <span key={place}>{file(options.length === 1 ? 'UBL' : `UBL ${place}`, `ubl/${place}`)}</span>
        ))}
        <Button weight="quiet" disabled={busy} onClick={() => change('withdrawn')}>
          Withdraw the link
        </Button>
      </div>
      <Fault sentence={sentence} />
    </div>
  );
}

/** What went out: number, totals, the customer's page and paper. A sent version never changes. */
export function SentVersions() {
  const { job } = useJob();
  if (job.sent.length === 0) return null;
  return (
    <section aria-label="Sent versions" className="grid gap-2">
      <h2 className="text-base">Sent</h2>
      {job.sent.map((version) => (
        <div
          key={version.number}
          className={`bg-sheet border px-4 py-2.5 flex flex-wrap items-center gap-x-4 gap-y-2 ${version.state === 'sent' ? 'border-edge' : 'border-line'}`}
        >
          <div className="flex-1 min-w-60">
            <p className="font-semibold">
              {version.number}
              <Standing version={version} />
            </p>
            <p className="text-sm text-ink-2">
              {dayText(version.sentOn)}
              {version.sentBy !== null && `, by ${version.sentBy}`}; holds until {dayText(version.validUntil)} ·{' '}
              {version.options
                .map((option) => `${capacityText(option.totalMiB)} ${moneyText(option.totalCents, job.currency)}`)
                .join(' · ')}
            </p>
            {version.change !== null && <p className="text-sm">Against the version before: {version.change}</p>}
            <Mails version={version} />
            <Said version={version} />
          </div>
          <Reach version={version} />
        </div>
      ))}
    </section>
  );
}
