'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { MOST_PAPER_TEXT, PAPER_TEXTS, type PaperTextKind } from '@/core/quoting/paper-text';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { CheckField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped, wholeTyped } from '../kit/form/read-typed';
import { Saved } from '../kit/form/saved';
import { useTyped } from '../kit/form/use-typed';
import { dayText } from '../words/amounts';

interface Says {
  guaranteePartsMonths: number;
  guaranteeWorkMonths: number;
  paperPerGb: boolean;
}

interface ShownPaperText {
  kind: PaperTextKind;
  language: Language;
  version: number;
  words: string;
  by: string | null;
  on: string;
}

interface QuoteSaysProps {
  says: Says;
  texts: ShownPaperText[];
  /** what the shop's papers are usually written in */
  usual: Language;
  /** the country's own notice on withdrawal to begin with, by language; null: none is known */
  withdrawal: Record<Language, string> | null;
}

interface TypedSays {
  parts: string;
  work: string;
  perGb: boolean;
}

/** The guarantee that quotes promise, and whether they say what a GB costs. */
function SaysForm({ says }: { says: Says }) {
  const t = useTranslations('settings');
  const { save } = useSave();
  const months = (text: string) => {
    const value = wholeTyped(text, 3);
    return value === null || value > 120 ? null : value;
  };
  const typing = useTyped<TypedSays, Says>({
    from: {
      parts: String(says.guaranteePartsMonths),
      work: String(says.guaranteeWorkMonths),
      perGb: says.paperPerGb,
    },
    read: ({ parts, work, perGb }) =>
      readTyped<TypedSays, Says>(
        {
          parts: months(parts) === null && t('says.faults.months'),
          work: months(work) === null && t('says.faults.months'),
        },
        () => ({
          guaranteePartsMonths: months(parts) ?? 0,
          guaranteeWorkMonths: months(work) ?? 0,
          paperPerGb: perGb,
        }),
      ),
    send: (body) => save('PUT', '/api/quote-says', body),
    isLive: true,
  });
  return (
    <>
      <Form typing={typing} className="flex flex-wrap gap-4 items-end has-[[aria-invalid]]:items-start">
        <TextField name="parts" label={t('says.parts')} unit={t('says.months')} inputMode="numeric" className="w-48" />
        <TextField name="work" label={t('says.work')} unit={t('says.months')} inputMode="numeric" className="w-48" />
        <CheckField name="perGb">{t('says.perGb')}</CheckField>
        <Send weight="plain">{t('save')}</Send>
      </Form>
      <Saved typing={typing}>{t('saved')}</Saved>
    </>
  );
}

const KIND_WORDS = {
  bring: { title: 'says.bring', what: 'says.bringWhat' },
  terms: { title: 'says.terms', what: 'says.termsWhat' },
  withdrawal: { title: 'says.withdrawal', what: 'says.withdrawalWhat' },
} as const satisfies Record<PaperTextKind, object>;

interface TextOnQuotesProps {
  kind: PaperTextKind;
  language: Language;
  /** what it can begin with; null: nothing */
  model: string | null;
  text?: ShownPaperText;
}

/** One text in one language: written anew it is the next version, and every quote that is out keeps its own. */
function TextOnQuotes({ kind, language, model, text }: TextOnQuotesProps) {
  const t = useTranslations('settings');
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState<string | null>(null);
  const words = text?.words ?? '';
  const { title, what } = KIND_WORDS[kind];
  const write = async () => {
    const body = { kind, language, words: typed ?? '', seen: text?.version ?? 0 };
    if ((await save('PUT', '/api/paper-texts', body)).ok) setTyped(null);
  };
  return (
    <li className="grid grid-cols-[12rem_1fr] max-[860px]:grid-cols-1 gap-x-4 gap-y-1 border-b border-line py-2">
      <div>
        <p className="text-sm font-semibold">{t(title)}</p>
        <p className="text-sm text-ink-2">{t(what)}</p>
      </div>
      <div className="grid gap-1.5 content-start">
        {typed === null ? (
          <p lang={language} className="whitespace-pre-line break-words max-h-40 overflow-auto">
            {words === '' ? <span className="text-ink-2">{t('says.nothing')}</span> : words}
          </p>
        ) : (
          <textarea
            lang={language}
            aria-label={`${t(title)}, ${LANGUAGE_NAMES[language]}`}
            rows={8}
            maxLength={MOST_PAPER_TEXT}
            className={INPUT_LOOK}
            value={typed}
            // biome-ignore lint/a11y/noAutofocus: anyone who pressed to write it goes on typing
            autoFocus
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
        <div className="flex flex-wrap gap-2 items-baseline text-sm">
          {typed === null && words === '' && model !== null && (
            <>
              <span className="text-mind">△ {t('says.needsWithdrawal')}</span>
              <Button onClick={() => setTyped(model)}>{t('says.fromModel')}</Button>
            </>
          )}
          {typed === null ? (
            <Button weight="quiet" onClick={() => setTyped(words)} aria-label={t('says.writeOne', { title: t(title) })}>
              {t('says.write')}
            </Button>
          ) : (
            <>
              <Button disabled={busy || typed.trim() === words} onClick={() => void write()}>
                {t('says.approve')}
              </Button>
              <Button weight="quiet" onClick={() => setTyped(null)}>
                {t('cancel')}
              </Button>
            </>
          )}
          {text !== undefined && (
            <span className="text-ink-2">
              {t('says.version', { version: text.version, on: dayText(text.on), by: text.by ?? '' })}
            </span>
          )}
        </div>
        <Fault sentence={sentence} />
      </div>
    </li>
  );
}

/** What every quote says beside its options: guarantee, price of a GB, what customers bring, terms, withdrawal. */
export function QuoteSaysSection({ says, texts, usual, withdrawal }: QuoteSaysProps) {
  const t = useTranslations('settings');
  const [language, setLanguage] = useState<Language>(usual);
  return (
    <section id="says" aria-label={t('says.title')} className="grid gap-2">
      <div className="flex flex-wrap items-end justify-between gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">{t('says.title')}</h2>
        <fieldset className="flex gap-1">
          <legend className="sr-only">{t('says.language')}</legend>
          {LANGUAGES.map((one) => (
            <Button
              key={one}
              weight={one === language ? 'plain' : 'quiet'}
              aria-pressed={one === language}
              onClick={() => setLanguage(one)}
            >
              {LANGUAGE_NAMES[one]}
            </Button>
          ))}
        </fieldset>
      </div>
      <SaysForm says={says} />
      <ul>
        {PAPER_TEXTS.map((kind) => {
          const text = texts.find((one) => one.kind === kind && one.language === language);
          return (
            <TextOnQuotes
              key={`${kind} ${language}`}
              kind={kind}
              language={language}
              model={kind === 'withdrawal' ? (withdrawal?.[language] ?? null) : null}
              {...(text !== undefined && { text })}
            />
          );
        })}
      </ul>
    </section>
  );
}
