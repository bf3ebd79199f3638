'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { groupOfKey } from '@/core/quoting/groups/line-key';
import type { QuoteLine, QuoteOption } from '@/core/quoting/snapshot';
import { moneyIn } from '@/core/quoting/words/in-language';
import type { Saving } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { LineText } from './line-text';

type Computed = NonNullable<QuoteOption['shop']['computed']>[number];

interface DraftLineProps {
  line: QuoteLine;
  /** what was computed for it, and by what name it is typed over */
  computed: Computed;
  place: number;
  saving: Saving;
}

/** Fees and discounts are agreed for the whole quote: they are changed where that is done. */
const isTyped = ({ kind }: QuoteLine): boolean => kind === 'part' || kind === 'labour' || kind === 'credit';

interface TypedLine {
  text: string;
  price: string;
}

/** Words and price of a line while they are typed over. */
function LineForm({ line, computed, place, saving, onDone }: DraftLineProps & { onDone: () => void }) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const write = async (body: { text: string | null; eachCents: number | null }) => {
    const seen = {
      text: line.text === computed.text ? null : line.text,
      eachCents: line.eachCents === computed.eachCents ? null : line.eachCents,
    };
    const { jobId, key } = groupOfKey(computed.key) ?? { jobId: job.id, key: computed.key };
    const path = `/api/jobs/${jobId}/options/${place}/lines`;
    const result = await saving.save('PUT', path, { key, ...body, seen });
    if (result.ok) onDone();
    return result;
  };
  const typing = useTyped<TypedLine, { text: string; eachCents: number }>({
    from: { text: line.text, price: plainMoney(Math.abs(line.eachCents), job.currency) },
    read: ({ text, price }) => {
      const cents = parseMoneyIn(price, job.currency) ?? -1;
      return readTyped<TypedLine, { text: string; eachCents: number }>(
        { price: cents < 0 && t('faults.price') },
        () => ({ text: text.trim(), eachCents: line.kind === 'credit' ? -cents : cents }),
      );
    },
    send: ({ text, eachCents }) =>
      write({
        text: text === computed.text ? null : text,
        eachCents: eachCents === computed.eachCents ? null : eachCents,
      }),
  });
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape in any of its fields leaves the form
    <div className="py-1.5" onKeyDown={(event) => event.key === 'Escape' && onDone()}>
      <Form typing={typing} label={t('line.override', { text: computed.text })} className="grid gap-2">
        <TextField name="text" label={t('line.text')} maxLength={200} />
        <TextField
          name="price"
          label={line.quantity > 1 ? t('line.priceOf', { quantity: line.quantity }) : t('line.price')}
          unit={job.currency}
          inputMode="decimal"
          autoFocus
          onFocus={(event) => event.target.select()}
          hint={t('line.computed', { language: moneyIn(job.language, Math.abs(computed.eachCents), job.currency) })}
        />
        <div className="flex flex-wrap gap-2">
          <Send>{t('save')}</Send>
          <Button disabled={typing.busy} onClick={() => void typing.act(() => write({ text: null, eachCents: null }))}>
            {t('line.reset')}
          </Button>
          <Button weight="quiet" onClick={onDone}>
            {t('cancel')}
          </Button>
        </div>
      </Form>
    </div>
  );
}

/** A line of a draft: what the customer reads, with what was computed beside what was typed over it. */
export function DraftLine(props: DraftLineProps) {
  const t = useTranslations('quote');
  const { line, computed, saving } = props;
  const { job } = useJob();
  const [isOpen, setIsOpen] = useState(false);
  const money = (minor: number) => moneyIn(job.language, minor, job.currency);
  const isText = line.text !== computed.text;
  const isPrice = line.eachCents !== computed.eachCents;
  if (isOpen)
    return (
      <tr className="border-b border-line">
        <td colSpan={2}>
          <LineForm {...props} saving={saving} onDone={() => setIsOpen(false)} />
        </td>
      </tr>
    );
  return (
    <tr className="border-b border-line align-top">
      <td className="py-1 pr-2 break-words">
        <LineText line={line} />
        {(isText || isPrice) && (
          <span className="block text-ink-2">
            {t('line.was', {
              value: [
                ...(isText ? [computed.text] : []),
                ...(isPrice ? [money(line.quantity * computed.eachCents)] : []),
              ].join(', '),
            })}
          </span>
        )}
      </td>
      <td className="py-1 text-right whitespace-nowrap">
        {isTyped(line) ? (
          <button
            type="button"
            className="cursor-pointer underline decoration-dotted decoration-edge underline-offset-4 hover:decoration-act"
            aria-label={t('line.overrideOf', { totalCents: money(line.totalCents), text: line.text })}
            onClick={() => setIsOpen(true)}
          >
            {money(line.totalCents)}
          </button>
        ) : (
          money(line.totalCents)
        )}
      </td>
    </tr>
  );
}
