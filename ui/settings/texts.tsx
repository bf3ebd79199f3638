'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { type TextKey, type TextWrong, textWrong } from '@/core/quoting/words/shop-texts';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { dateLocale } from '../words/amounts';

/** A text as its owner looks at it. */
export interface ShownText {
  key: TextKey;
  words: string;
  supplied: string;
  /** null: it is not approved as it reads */
  approved: { by: string; on: string } | null;
}

/** When the text is read, said to the shop. */
const WHEN = {
  'ecc-lost': 'texts.when.ecc-lost',
  'ecc-mix': 'texts.when.ecc-mix',
  'mixed-latency': 'texts.when.mixed-latency',
  'mixed-rate': 'texts.when.mixed-rate',
  'module-off-book': 'texts.when.module-off-book',
  'os-limit': 'texts.when.os-limit',
  'slower-than-today': 'texts.when.slower-than-today',
  'total-off-book': 'texts.when.total-off-book',
  'total-unknown': 'texts.when.total-unknown',
  'uneven-channels': 'texts.when.uneven-channels',
  'unmatched-bank': 'texts.when.unmatched-bank',
  'cover-warranty': 'texts.when.warranty',
  'cover-support': 'texts.when.contract',
  'parts-only': 'texts.when.partsOnly',
  'if-not': 'texts.when.ifNot',
  'own-part': 'texts.when.ownPart',
} as const satisfies Record<TextKey, string>;

/** A day with its month in three letters, for a narrow column. */
const shortDay = (day: string): string =>
  new Intl.DateTimeFormat(dateLocale(), { dateStyle: 'medium', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));

/** What is wrong with a text. The figures in brackets are not the message's own. */
const wrongText = (t: StaffWords<'settings'>, wrong: TextWrong): string =>
  wrong.what === 'unknown'
    ? t('texts.faults.unknown', { named: wrong.named, total: '{total}', visible: '{visible}', amount: '{amount}' })
    : t(`texts.faults.${wrong.what}`);

interface TextLineProps {
  row: ShownText;
  language: Language;
  busy: boolean;
  onApprove: (words: string) => Promise<boolean>;
}

function TextLine({ row, language, busy, onApprove }: TextLineProps) {
  const t = useTranslations('settings');
  const [typed, setTyped] = useState<string | null>(null);
  const { approved, supplied } = row;
  const words = typed ?? row.words;
  const wrong = textWrong(words);
  const isChanged = typed !== null && typed !== row.words;
  return (
    <li className="grid grid-cols-[10rem_1fr_15.5rem] max-[860px]:grid-cols-1 gap-x-4 gap-y-1 border-b border-line py-2">
      <span className="text-sm font-semibold">{t(WHEN[row.key])}</span>
      <div className="grid gap-1">
        {typed === null ? (
          <p lang={language}>{row.words}</p>
        ) : (
          <textarea
            lang={language}
            aria-label={t('texts.text', { value: t(WHEN[row.key]) })}
            rows={3}
            maxLength={400}
            className="w-full bg-sheet border border-edge rounded-notch px-3 py-2 text-base resize-y"
            value={typed}
            // biome-ignore lint/a11y/noAutofocus: anyone who pressed to reword it goes on typing
            autoFocus
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
        <Fault sentence={typed === null || wrong === null ? null : wrongText(t, wrong)} />
      </div>
      <div className="flex flex-wrap gap-x-2 gap-y-1 items-baseline content-start justify-between text-sm">
        <span className={approved === null ? 'text-mind font-semibold' : 'text-ink-2'}>
          {approved === null ? t('texts.notApproved') : `✓ ${approved.by}, ${shortDay(approved.on)}`}
        </span>
        {(approved === null || isChanged) && (
          <Button
            disabled={busy || wrong !== null}
            onClick={async () => {
              if (await onApprove(words)) setTyped(null);
            }}
          >
            {t('texts.approve')}
          </Button>
        )}
        {typed === null ? (
          <Button
            weight="quiet"
            onClick={() => setTyped(row.words)}
            aria-label={t('texts.editOne', { value: t(WHEN[row.key]) })}
          >
            {t('texts.edit')}
          </Button>
        ) : (
          <>
            {typed !== supplied && (
              <Button weight="quiet" onClick={() => setTyped(supplied)}>
                {t('texts.reset')}
              </Button>
            )}
            <Button weight="quiet" onClick={() => setTyped(null)}>
              {t('cancel')}
            </Button>
          </>
        )}
      </div>
    </li>
  );
}

interface TextsProps {
  rows: Record<Language, ShownText[]>;
  /** what the shop's papers are usually written in */
  usual: Language;
}

/** What customers read of a plan's care, in each language, each approved before it goes out. */
export function Texts({ rows, usual }: TextsProps) {
  const t = useTranslations('settings');
  const { busy, sentence, save } = useSave();
  const [language, setLanguage] = useState<Language>(usual);
  const approve = async (texts: { key: TextKey; words: string }[]) =>
    (await save('PUT', '/api/texts', { language, texts })).ok;
  const open = rows[language].filter(({ approved }) => approved === null);
  return (
    <section id="texts" aria-label={t('texts.title')} className="grid gap-2">
      <div className="flex flex-wrap items-end justify-between gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">{t('texts.title')}</h2>
        <fieldset className="flex gap-1">
          <legend className="sr-only">{t('texts.language')}</legend>
          {LANGUAGES.map((one) => {
            const waiting = rows[one].filter(({ approved }) => approved === null).length;
            return (
              <Button
                key={one}
                weight={one === language ? 'plain' : 'quiet'}
                aria-pressed={one === language}
                onClick={() => setLanguage(one)}
              >
                {LANGUAGE_NAMES[one]}
                {waiting > 0 && t('texts.toApprove', { waiting })}
              </Button>
            );
          })}
        </fieldset>
      </div>
      <p className="text-sm">
        {t('texts.what', { total: '{total}', visible: '{visible}', amount: '{amount}' })}{' '}
        {open.length > 0 && (
          <Button disabled={busy} onClick={() => void approve(open.map(({ key, words }) => ({ key, words })))}>
            {t('texts.approveAll', {
              open: open.length === 1 ? t('texts.one') : t('texts.all', { open: open.length }),
            })}
          </Button>
        )}
      </p>
      <ul>
        {rows[language].map((row) => (
          <TextLine
            key={`${language} ${row.key}`}
            row={row}
            language={language}
            busy={busy}
            onApprove={(words) => approve([{ key: row.key, words }])}
          />
        ))}
      </ul>
      <Fault sentence={sentence} />
    </section>
  );
}
