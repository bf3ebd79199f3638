'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
import { percentText } from '@/core/pricing/percent-text';
import { MOST_USUAL_LINES, textOfUsual, type UsualLine } from '@/core/quoting/usual-line';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { isTyped, readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { moneyText } from '../words/amounts';

interface UsualLinesProps {
  lines: UsualLine[];
  /** what the shop's papers are usually written in */
  language: Language;
  currency: string;
}

type TypedLine = Record<Language, string> & { price: string; tax: string };

const typedLine = (line: UsualLine | null, currency: string): TypedLine => ({
  en: line?.texts.en ?? '',
  de: line?.texts.de ?? '',
  fr: line?.texts.fr ?? '',
  price: line === null ? '' : plainMoney(line.cents, currency),
  tax: line?.taxBp == null ? '' : String(line.taxBp / 100),
});

interface LineFormProps extends Pick<UsualLinesProps, 'language' | 'currency'> {
  /** null: one that is added */
  line: UsualLine | null;
  /** puts another in its place; null: takes it out */
  onPut: (line: UsualLine | null) => ReturnType<ReturnType<typeof useSave>['save']>;
  onLeave: () => void;
}

/** A line while it is changed, in its place. */
function LineForm({ line, language, currency, onPut, onLeave }: LineFormProps) {
  const t = useTranslations('settings');
  const typing = useTyped<TypedLine, UsualLine>({
    from: typedLine(line, currency),
    read: ({ price, tax, ...texts }) => {
      const cents = parseMoneyIn(price, currency) ?? 0;
      const taxBp = isTyped(tax) ? parsePercent(tax) : null;
      const looked = {
        [language]: !isTyped(texts[language]) && t('lines.faults.text'),
        price: cents < 1 && t('lines.faults.price'),
        tax: isTyped(tax) && taxBp === null && t('lines.faults.tax'),
      };
      return readTyped<TypedLine, UsualLine>(looked, () => ({
        texts: Object.fromEntries(Object.entries(texts).filter(([, text]) => isTyped(text))) as UsualLine['texts'],
        cents,
        taxBp,
      }));
    },
    send: async (made) => {
      const result = await onPut(made);
      if (result.ok) onLeave();
      return result;
    },
  });
  return (
    <Form
      typing={typing}
      label={t('lines.form')}
      box="border-2 border-act bg-sheet rounded-notch px-3 py-2 basis-full"
      className="grid grid-cols-[1fr_9rem_9rem] max-[860px]:grid-cols-2 gap-2 items-end has-[[aria-invalid]]:items-start"
      action={t('save')}
      leave={t('cancel')}
      onLeave={onLeave}
      beside={
        line !== null && (
          <Button disabled={typing.busy} onClick={() => void typing.act(() => onPut(null))}>
            {t('lines.delete')}
          </Button>
        )
      }
    >
      <TextField
        name={language}
        label={t('lines.text', { language: LANGUAGE_NAMES[language] })}
        maxLength={120}
        lang={language}
        autoFocus
      />
      <TextField name="price" label={t('lines.price')} unit={currency} inputMode="decimal" />
      <TextField name="tax" label={t('lines.tax')} unit="%" placeholder={t('lines.asFees')} inputMode="decimal" />
      {LANGUAGES.filter((one) => one !== language).map((one, nr) => (
        <TextField
          key={one}
          name={one}
          label={t('lines.text', { language: LANGUAGE_NAMES[one] })}
          placeholder={t('lines.asUsual')}
          className={nr === 0 ? 'max-[860px]:col-span-2' : 'col-span-2'}
          maxLength={120}
          lang={one}
        />
      ))}
    </Form>
  );
}

/** What the shop adds to quotes time and again beside parts and fitting, each by one press on Quote. */
export function UsualLinesSection({ lines, language, currency }: UsualLinesProps) {
  const t = useTranslations('settings');
  const { save } = useSave();
  const [editing, setEditing] = useState<number | 'new' | null>(null);
  const put = (next: UsualLine[]) => save('PUT', '/api/usual-lines', { lines: next, seen: lines });
  const onPut = (made: UsualLine | null) =>
    editing === 'new'
      ? put(made === null ? lines : [...lines, made])
      : put(lines.flatMap((one, nr) => (nr === editing ? (made ?? []) : [one])));
  return (
    <section id="lines" aria-label={t('lines.title')} className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('lines.title')}</h2>
      {lines.length === 0 && editing === null && <p className="text-sm text-ink-2">{t('lines.none')}</p>}
      <ul className="flex flex-wrap gap-1.5">
        {lines.map((line, nr) => (
          <li key={JSON.stringify(line)}>
            <button
              type="button"
              onClick={() => setEditing(nr)}
              className="text-left px-2.5 py-1 border border-edge rounded-notch bg-sheet hover:bg-sunk cursor-pointer"
            >
              <span className="font-semibold">{textOfUsual(line, language, language)}</span>
              <span className="block text-sm text-ink-2">
                {moneyText(line.cents, currency)}
                {line.taxBp !== null && t('lines.taxed', { tax: percentText(line.taxBp) })}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {editing === null ? (
        lines.length < MOST_USUAL_LINES && (
          <Button className="w-fit" onClick={() => setEditing('new')}>
            {t('lines.add')}
          </Button>
        )
      ) : (
        <LineForm
          key={editing}
          line={editing === 'new' ? null : (lines[editing] ?? null)}
          language={language}
          currency={currency}
          onPut={onPut}
          onLeave={() => setEditing(null)}
        />
      )}
    </section>
  );
}
