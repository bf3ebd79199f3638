'use client';
import { useRouter } from 'next/navigation';
import { type FormEvent, useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import type { CustomerQuestion } from '@/core/quoting/quote-answer';
import type { SentMail, SentVersion } from '@/service/job/quote/view';
import type { StaffWords } from '@/words/staff-words';
import { copyText } from '../client/copy-text';
import { useKeys } from '../client/use-keys';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { KeyHint } from '../kit/key-hint';
import { capacityText, dateLocale, dayText, moneyText } from '../words/amounts';
import { SentOptions } from './sent-options';
import { versionText } from './version-words';

function CopyLink({ path }: { path: string }) {
  const t = useTranslations('quote');
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    const link = new URL(path, window.location.href).href;
    if (await copyText(link)) setCopied(true);
    else window.prompt(t('link.label'), link);
  };
  return <Button onClick={copy}>{copied ? t('link.copied') : t('link.copy')}</Button>;
}

/** How a version stands, in a word or two. */
function Standing({ version: { standing, openedOn, answer, validUntil } }: { version: SentVersion }) {
  const t = useTranslations('quote');
  const said = answer === null ? '' : dayText(answer.on);
  if (standing === 'accepted' && answer?.kind === 'accepted')
    return <span className="text-good">{t('state.accepted', { place: answer.place, said })}</span>;
  const words = {
    accepted: '',
    declined: t('state.declined', { said }),
    lapsed: t('state.lapsed', { validUntil: dayText(validUntil) }),
    open: openedOn === null ? t('state.unopened') : t('state.opened', { openedOn: dayText(openedOn) }),
    replaced: answer?.kind === 'accepted' ? t('state.changed', { place: answer.place, said }) : t('state.replaced'),
  }[standing];
  return <span className="font-normal text-ink-2"> · {words}</span>;
}

/** What was asked, and what was answered or is to be. */
function Asked({ question: { id, words, on, reply } }: { question: CustomerQuestion }) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const [typed, setTyped] = useState('');
  const { busy, sentence, save } = useSave();
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (typed.trim() !== '') void save('POST', `/api/jobs/${job.id}/quote/reply`, { question: id, words: typed });
  };
  return (
    <li>
      <span className={reply === null ? 'text-mind font-semibold' : 'text-ink-2'}>
        {t('asked', { on: dayText(on) })}
      </span>{' '}
      “{words}”
      {reply !== null && (
        <p>
          <span className="text-ink-2">{t('answered', { on: dayText(reply.on) })}</span> “{reply.words}”
        </p>
      )}
      {reply === null && (
        <form onSubmit={send} className="flex flex-wrap gap-2 items-end mt-1">
          <Field
            label={t('answerLabel')}
            className="grow min-w-72"
            maxLength={2000}
            value={typed}
            error={sentence}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="submit" disabled={busy || typed.trim() === ''}>
            {t('answer')}
          </Button>
        </form>
      )}
    </li>
  );
}

/** What the customer said beside yes or no. */
function Said({ version: { answer, questions } }: { version: SentVersion }) {
  const t = useTranslations('quote');
  const isSilent = questions.length === 0 && (answer === null || (answer.kind === 'declined' && answer.words === ''));
  if (isSilent) return null;
  return (
    <ul className="text-sm mt-1 grid gap-0.5">
      {answer?.kind === 'accepted' && (
        <li>
          {t('signedAs', {
            signed: answer.signed,
            ticked: answer.ticked.length > 0 ? t('agreed', { count: answer.ticked.length }) : '',
            value: answer.ticked.map((statement) => `“${statement}”`).join(' '),
          })}
        </li>
      )}
      {answer?.kind === 'declined' && answer.words !== '' && <li>{t('whyNot', { words: answer.words })}</li>}
      {questions.map((question) => (
        <Asked key={question.id} question={question} />
      ))}
    </ul>
  );
}

/** Mails the version that is out, where the customer has an address and it did not go yet. */
function MailIt({ version: { version, state, mail } }: { version: SentVersion }) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const { email } = job.customer;
  const isOut = mail.some((one) => one.kind === 'quote' && MAY_HAVE_GONE.has(one.state) && one.to === email);
  const may = state === 'sent' && email !== '' && !isOut && !busy;
  const send = () => void save('POST', `/api/jobs/${job.id}/quote/mail`, { version });
  useKeys({ m: () => may && send() });
  if (state !== 'sent' || isOut) return null;
  if (email === '') return <span className="text-sm text-ink-2 self-center">{t('noMail')}</span>;
  return (
    <>
      <Button disabled={!may} onClick={send} aria-keyshortcuts="m">
        {t.rich('mailTo', { email, e0: () => <KeyHint of="M" /> })}
      </Button>
      <Fault sentence={sentence} />
    </>
  );
}

const MAY_HAVE_GONE: ReadonlySet<SentMail['state']> = new Set(['waiting', 'sending', 'sent', 'unsure']);

/** A time as `14:05`, where the reader is. */
const clock = (iso: string): string =>
  new Date(iso).toLocaleTimeString(dateLocale(), { hour: '2-digit', minute: '2-digit' });

/** How far a mail has come, in words. */
function mailWords(t: StaffWords<'quote'>, { kind, to, state, tries, nextAt, sentence, sentAt }: SentMail): string {
  const what = kind === 'quote' ? t('mail.to', { to }) : t('mail.reminder', { to });
  const said = sentence === null ? '' : ` (${sentence})`;
  const tried = tries === 1 ? t('mail.oneTry') : t('mail.tries', { tries });
  switch (state) {
    case 'waiting':
      return tries === 0 ? t('mail.queued', { what }) : t('mail.waits', { what, tried, said, nextAt: clock(nextAt) });
    case 'sending':
      return t('mail.sending', { what });
    case 'sent':
      return t('mail.taken', { what, value: clock(sentAt ?? '') });
    case 'refused':
      return t('mail.refused', { what, said });
    case 'unsure':
      return t('mail.unsure', { what, said });
    case 'given-up':
      return t('mail.gaveUp', { what, said });
  }
}

/** What was mailed of a version. */
function Mails({ version: { mail } }: { version: SentVersion }) {
  const t = useTranslations('quote');
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
      <ul className="text-sm mt-1 grid gap-0.5" aria-label={t('mail.label')}>
        {mail.map((one) => {
          const isStuck = one.state === 'refused' || one.state === 'unsure';
          return (
            <li
              key={one.id}
              className={isStuck ? 'text-stop font-medium' : one.state === 'sent' ? 'text-good' : 'text-ink-2'}
            >
              {one.state === 'sent' && '✓ '}
              {mailWords(t, one)}{' '}
              {isStuck && (
                <Button
                  weight="quiet"
                  disabled={busy}
                  onClick={() => void save('POST', `/api/jobs/${job.id}/mail`, { id: one.id })}
                >
                  {t('mail.again')}
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
  const t = useTranslations('quote');
  const { version, link, options } = sent;
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const change = (to: 'withdrawn' | 'renewed') => void save('POST', `/api/jobs/${job.id}/quote/link`, { version, to });
  if (link === null || link.token === null)
    return (
      <div className="flex flex-wrap items-center gap-3">
        <span className="text-sm text-ink-2">{link === null ? t('link.withdrawn') : t('link.elsewhere')}</span>
        <Button disabled={busy} onClick={() => change('renewed')}>
          {t('link.new')}
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
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <MailIt version={sent} />
      <a href={path} target="_blank" rel="noreferrer" className={buttonLook('plain')}>
        {t('customerPage')}
      </a>
      <a href={`${path}/pdf`} target="_blank" rel="noreferrer" className={buttonLook('plain')}>
        PDF
      </a>
      <CopyLink path={path} />
      <Button disabled={busy} onClick={() => change('withdrawn')}>
        {t('link.withdraw')}
      </Button>
      <span className="flex flex-wrap items-center gap-x-3 text-sm">
        {file('CSV', 'csv')}
        {file('JSON', 'json')}
        {options.map(({ place }) => (
          <span key={place}>{file(options.length === 1 ? 'UBL' : `UBL ${place}`, `ubl/${place}`)}</span>
        ))}
      </span>
      <Fault sentence={sentence} />
    </div>
  );
}

/** When a version went out, by whom and how long it holds. */
function SentLine({ version: { sentOn, sentBy, validUntil, change } }: { version: SentVersion }) {
  const t = useTranslations('quote');
  const tTrade = useTranslations('trade');
  const { job } = useJob();
  return (
    <>
      <p className="text-sm text-ink-2">
        {t('versions.line', {
          sentOn: dayText(sentOn),
          value: sentBy !== null ? t('versions.by', { sentBy }) : '',
          validUntil: dayText(validUntil),
        })}
      </p>
      {change !== null && (
        <p className="text-sm">
          {t('versions.change', { change: versionText(change, { t, tTrade, currency: job.currency }) })}
        </p>
      )}
    </>
  );
}

/** The version that is out: what can be done with it, what was said to it, and its options as the customer reads them. */
function Current({ version }: { version: SentVersion }) {
  return (
    <div className="bg-sheet border border-edge px-4 py-3 grid gap-3">
      <div>
        <p className="font-semibold">
          {version.number}
          <Standing version={version} />
        </p>
        <SentLine version={version} />
      </div>
      <Reach version={version} />
      <div>
        <Mails version={version} />
        <Said version={version} />
      </div>
      <SentOptions version={version} />
    </div>
  );
}

/** A version that a later one replaced: a line, and all of it behind that. */
function Replaced({ version }: { version: SentVersion }) {
  const { job } = useJob();
  const totals = version.options
    .map((option) => `${capacityText(option.totalMiB)} ${moneyText(option.totalCents, job.currency)}`)
    .join(' · ');
  return (
    <details className="bg-sheet border border-line px-4 py-2">
      <summary className="cursor-pointer font-semibold">
        {version.number}
        <Standing version={version} />
        <span className="block text-sm font-normal text-ink-2">{totals}</span>
      </summary>
      <div className="grid gap-3 pt-2">
        <SentLine version={version} />
        <Reach version={version} />
        <div>
          <Mails version={version} />
          <Said version={version} />
        </div>
        <SentOptions version={version} />
      </div>
    </details>
  );
}

/** What went out, the latest version first. A sent version never changes. */
export function SentVersions() {
  const t = useTranslations('quote');
  const { job } = useJob();
  if (job.sent.length === 0) return null;
  return (
    <section aria-label={t('versions.label')} className="grid gap-2">
      <h2 className="text-base">{t('versions.title')}</h2>
      <ol className="grid gap-2">
        {job.sent.map((version) => (
          <li key={version.number}>
            {version.state === 'sent' ? <Current version={version} /> : <Replaced version={version} />}
          </li>
        ))}
      </ol>
    </section>
  );
}
