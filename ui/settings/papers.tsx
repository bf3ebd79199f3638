'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { type AcceptWords, MOST_ACCEPT_LETTERS } from '@/core/shop/accept-words';
import type { Called } from '../client/session-guard';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped, wholeTyped } from '../kit/form/read-typed';
import { Saved } from '../kit/form/saved';
import { useTyped } from '../kit/form/use-typed';

type Paper = 'A4' | 'Letter';
const PAPER_WORDS = { A4: 'papers.a4', Letter: 'papers.letter' } as const satisfies Record<Paper, string>;

/** Larger ones are not even sent. */
const MOST_BYTES = 1_000_000;

interface PapersProps {
  language: Language;
  paper: Paper;
  /** whom mail comes from; empty: the shop sends none */
  mailFrom: string;
  /** customers are reminded so many days before a quote's last; 0: never */
  remindDays: number;
  acceptWords: AcceptWords;
  /** what it says where nothing is set */
  usualAccept: Record<Language, string>;
  hasLogo: boolean;
  /** customers read a part's number, and who sells it, beside its maker */
  paperPart: boolean;
  paperSeller: boolean;
}

/** What customers' papers are usually written in and printed on, and the shop's mark on them. */
export function PapersSection({
  language,
  paper,
  mailFrom,
  remindDays,
  acceptWords,
  usualAccept,
  hasLogo,
  paperPart,
  paperSeller,
}: PapersProps) {
  const t = useTranslations('settings');
  const { busy, sentence, save } = useSave();
  const keep = (patch: Partial<Omit<PapersProps, 'hasLogo' | 'usualAccept'>>) =>
    save('PUT', '/api/papers', {
      language,
      paper,
      mailFrom,
      remindDays,
      acceptWords,
      paperPart,
      paperSeller,
      ...patch,
    });
  return (
    <section id="papers" aria-label={t('papers.title')} className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('papers.title')}</h2>
      <div className="flex flex-wrap gap-4 items-end has-[[aria-invalid]]:items-start">
        <label className="text-sm font-medium text-ink-2 grid gap-0.5 w-48">
          {t('papers.language')}
          <select
            className={INPUT_LOOK}
            value={language}
            disabled={busy}
            onChange={(event) => void keep({ language: event.target.value as Language })}
          >
            {LANGUAGES.map((one) => (
              <option key={one} value={one}>
                {LANGUAGE_NAMES[one]}
              </option>
            ))}
          </select>
        </label>
        <label className="text-sm font-medium text-ink-2 grid gap-0.5 w-52">
          {t('papers.size')}
          <select
            className={INPUT_LOOK}
            value={paper}
            disabled={busy}
            onChange={(event) => void keep({ paper: event.target.value as Paper })}
          >
            {(Object.keys(PAPER_WORDS) as Paper[]).map((one) => (
              <option key={one} value={one}>
                {t(PAPER_WORDS[one])}
              </option>
            ))}
          </select>
        </label>
        <Logo hasLogo={hasLogo} />
      </div>
      <fieldset>
        <legend className="text-sm font-semibold">{t('papers.parts.title')}</legend>
        <p className="text-sm text-ink-2">{t('papers.parts.what')}</p>
        <div className="flex flex-wrap gap-x-6">
          <Check className="min-h-8" checked={paperPart} onChange={(next) => void keep({ paperPart: next })}>
            {t('papers.parts.part')}
          </Check>
          <Check className="min-h-8" checked={paperSeller} onChange={(next) => void keep({ paperSeller: next })}>
            {t('papers.parts.seller')}
          </Check>
        </div>
      </fieldset>
      <MailForm mailFrom={mailFrom} remindDays={remindDays} onKeep={keep} />
      <AcceptForm acceptWords={acceptWords} usual={usualAccept} onKeep={keep} />
      <Fault sentence={sentence} />
    </section>
  );
}

/** The shop's mark on its papers. */
function Logo({ hasLogo }: { hasLogo: boolean }) {
  const t = useTranslations('settings');
  const { busy, sentence, save } = useSave();
  const [wrong, setWrong] = useState<string | null>(null);
  const [shown, setShown] = useState(0);
  const takeLogo = async (file: File) => {
    const isLarge = file.size > MOST_BYTES;
    setWrong(isLarge ? t('papers.logoTooLarge') : null);
    if (!isLarge && (await save('PUT', '/api/logo', file)).ok) setShown(shown + 1);
  };
  return (
    <div className="flex items-center gap-3">
      {hasLogo && (
        // biome-ignore lint/performance/noImgElement: the shop's own file, as it is
        <img src={`/api/logo?${shown}`} alt={t('papers.logo')} className="h-11 max-w-40 object-contain bg-white p-1" />
      )}
      <FileButton
        fileLabel={t('papers.logoFile')}
        accept="image/png,image/jpeg"
        onFiles={([file]) => void takeLogo(file)}
      >
        {hasLogo ? t('papers.changeLogo') : t('papers.addLogo')}
      </FileButton>
      {hasLogo && (
        <Button weight="quiet" disabled={busy} onClick={() => void save('DELETE', '/api/logo')}>
          {t('papers.removeLogo')}
        </Button>
      )}
      <Fault sentence={wrong ?? sentence} />
    </div>
  );
}

interface MailTyped {
  from: string;
  days: string;
}
type MailRule = Pick<PapersProps, 'mailFrom' | 'remindDays'>;

/** Whom mail comes from, and when customers are reminded. */
function MailForm({ onKeep, ...rule }: MailRule & { onKeep: (patch: MailRule) => Promise<Called<unknown>> }) {
  const t = useTranslations('settings');
  const typing = useTyped<MailTyped, MailRule>({
    from: { from: rule.mailFrom, days: String(rule.remindDays) },
    read: ({ from, days }) =>
      readTyped<MailTyped, MailRule>({ days: wholeTyped(days, 2) === null && t('papers.faults.days') }, () => ({
        mailFrom: from.trim(),
        remindDays: Number(days),
      })),
    send: onKeep,
  });
  return (
    <>
      <Form typing={typing} className="flex flex-wrap gap-4 items-end has-[[aria-invalid]]:items-start">
        <TextField
          name="from"
          label={t('papers.from')}
          type="email"
          placeholder={t('papers.noMail')}
          className="w-80"
        />
        <TextField name="days" label={t('papers.remind')} unit={t('days')} inputMode="numeric" className="w-64" />
        <Send weight="plain">{t('save')}</Send>
      </Form>
      <Saved typing={typing}>{t('saved')}</Saved>
    </>
  );
}

/** What the button says by which a customer accepts, in each language: countries prescribe it. */
function AcceptForm({
  acceptWords,
  usual,
  onKeep,
}: {
  acceptWords: AcceptWords;
  usual: Record<Language, string>;
  onKeep: (patch: { acceptWords: AcceptWords }) => Promise<Called<unknown>>;
}) {
  const t = useTranslations('settings');
  const { en = '', de = '', fr = '' } = acceptWords;
  const typing = useTyped<Record<Language, string>, { acceptWords: AcceptWords }>({
    from: { en, de, fr },
    read: (typed) =>
      readTyped<Record<Language, string>, { acceptWords: AcceptWords }>({}, () => ({ acceptWords: typed })),
    send: onKeep,
  });
  return (
    <fieldset className="grid gap-2">
      <legend className="text-sm font-semibold">{t('papers.accept.title')}</legend>
      <p className="text-sm">{t('papers.accept.what')}</p>
      <Form typing={typing} className="flex flex-wrap gap-4 items-end">
        {LANGUAGES.map((one) => (
          <TextField
            key={one}
            name={one}
            label={LANGUAGE_NAMES[one]}
            lang={one}
            maxLength={MOST_ACCEPT_LETTERS}
            placeholder={usual[one]}
            className="w-72 max-w-full"
          />
        ))}
        <Send weight="plain">{t('save')}</Send>
      </Form>
      <Saved typing={typing}>{t('saved')}</Saved>
    </fieldset>
  );
}
