'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
import { percentText } from '@/core/pricing/percent-text';
import { type Extra, MOST_EXTRAS } from '@/core/quoting/terms-schema';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { isTyped, readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { moneyText } from '../words/amounts';

interface TypedExtra {
  text: string;
  quantity: string;
  price: string;
  tax: string;
}

const BLANK: TypedExtra = { text: '', quantity: '1', price: '', tax: '' };

const typedExtra = ({ text, quantity, eachCents, taxBp }: Extra, currency: string): TypedExtra => ({
  text,
  quantity: String(quantity),
  price: plainMoney(eachCents, currency),
  tax: taxBp === null ? '' : String(taxBp / 100),
});

interface ExtraFormProps {
  /** null: one that is added */
  extra: Extra | null;
  onPut: (extra: Extra | null) => ReturnType<ReturnType<typeof useSave>['save']>;
  onLeave: () => void;
}

/** One line while it is typed, in its place. */
function ExtraForm({ extra, onPut, onLeave }: ExtraFormProps) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const typing = useTyped<TypedExtra, Extra>({
    from: extra === null ? BLANK : typedExtra(extra, job.currency),
    read: ({ text, quantity, price, tax }) => {
      const cents = parseMoneyIn(price, job.currency) ?? 0;
      const count = /^\d{1,3}$/.test(quantity.trim()) ? Number(quantity) : 0;
      const taxBp = isTyped(tax) ? parsePercent(tax) : null;
      const looked = {
        text: !isTyped(text) && t('other.faults.text'),
        quantity: count < 1 && t('other.faults.quantity'),
        price: cents < 1 && t('faults.price'),
        tax: isTyped(tax) && taxBp === null && t('other.faults.tax'),
      };
      return readTyped<TypedExtra, Extra>(looked, () => ({
        text: text.trim(),
        quantity: count,
        eachCents: cents,
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
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape in any of its fields leaves the form
    <div className="basis-full" onKeyDown={(event) => event.key === 'Escape' && onLeave()}>
      <Form
        typing={typing}
        label={t('other.form')}
        box="border-2 border-act bg-sheet rounded-notch px-3 py-2"
        className="grid grid-cols-[1fr_5rem_8rem_7rem_auto] max-[860px]:grid-cols-2 gap-2 items-end has-[[aria-invalid]]:items-start"
      >
        <TextField name="text" label={t('other.text')} maxLength={120} autoFocus />
        <TextField name="quantity" label={t('other.quantity')} inputMode="numeric" />
        <TextField name="price" label={t('other.price')} unit={job.currency} inputMode="decimal" />
        <TextField name="tax" label={t('other.tax')} unit="%" placeholder={t('other.asFees')} inputMode="decimal" />
        <div className="flex flex-wrap gap-2">
          <Send className="min-h-9">{extra === null ? t('other.add') : t('other.save')}</Send>
          {extra !== null && (
            <Button disabled={typing.busy} onClick={() => void typing.act(() => onPut(null))}>
              {t('remove')}
            </Button>
          )}
          <Button weight="quiet" onClick={onLeave}>
            {t('cancel')}
          </Button>
        </div>
      </Form>
    </div>
  );
}

/** What stands in every option beside its parts and the fitting: the shop's usual lines by one press, and free ones. */
export function OtherLines() {
  const t = useTranslations('quote');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  // Which line is typed: its place, or one that is added.
  const [typing, setTyping] = useState<number | 'new' | null>(null);
  const { terms, usualLines, currency } = job;
  const { extras } = terms;
  const put = (next: Extra[]) =>
    save('PUT', `/api/jobs/${job.id}/terms`, { terms: { ...terms, extras: next }, seen: terms });
  const replace = (nr: number, made: Extra | null) =>
    put(extras.flatMap((one, at) => (at === nr ? (made ?? []) : [one])));
  const isFull = extras.length >= MOST_EXTRAS;
  const left = usualLines.filter(({ text }) => !extras.some((extra) => extra.text === text));
  return (
    <section
      aria-label={t('other.label')}
      className="flex flex-wrap items-center gap-x-3 gap-y-1.5 border-t border-line pt-2"
    >
      <span className="text-sm font-semibold">{t('other.label')}</span>
      {extras.map((extra, nr) => (
        <button
          // biome-ignore lint/suspicious/noArrayIndexKey: two lines may be the same
          key={nr}
          type="button"
          aria-label={t('other.change', { text: extra.text })}
          onClick={() => setTyping(nr)}
          className="min-h-8 px-2 text-sm rounded-notch border bg-board text-board-ink border-board cursor-pointer"
        >
          {extra.quantity > 1 && `${extra.quantity} × `}
          {extra.text} {moneyText(extra.eachCents, currency)}
          {extra.taxBp !== null && `, ${percentText(extra.taxBp)}`}
        </button>
      ))}
      {!isFull &&
        left.map(({ text, cents, taxBp }) => (
          <button
            key={text}
            type="button"
            disabled={busy}
            onClick={() => void put([...extras, { text, quantity: 1, eachCents: cents, taxBp }])}
            className="min-h-8 px-2 text-sm rounded-notch border bg-sheet border-edge hover:bg-sunk cursor-pointer"
          >
            <span aria-hidden="true">+ </span>
            {text} {moneyText(cents, currency)}
          </button>
        ))}
      {!isFull && (
        <Button weight="quiet" onClick={() => setTyping('new')}>
          {t('other.free')}
        </Button>
      )}
      {typing !== null && (
        <ExtraForm
          key={typing}
          extra={typing === 'new' ? null : (extras[typing] ?? null)}
          onPut={(made) => (typing === 'new' ? put(made === null ? extras : [...extras, made]) : replace(typing, made))}
          onLeave={() => setTyping(null)}
        />
      )}
      <Fault sentence={typing === null ? sentence : null} />
    </section>
  );
}
