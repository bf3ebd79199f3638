'use client';
import { type FormEvent, useState } from 'react';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { QuoteLine, QuoteOption } from '@/core/quoting/snapshot';
import { moneyIn } from '@/core/quoting/words/in-language';
import type { Saving } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';

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

/** Words and price of a line while they are typed over. */
function LineForm({ line, computed, place, saving, onDone }: DraftLineProps & { onDone: () => void }) {
  const { job } = useJob();
  const { busy, sentence, save } = saving;
  const size = Math.abs(line.eachCents);
  const [text, setText] = useState(line.text);
  const [price, setPrice] = useState(plainMoney(size, job.currency));
  const [wrong, setWrong] = useState<string | null>(null);
  const write = async (body: { text: string | null; eachCents: number | null }) => {
    const path = `/api/jobs/${job.id}/options/${place}/lines`;
    const seen = {
      text: line.text === computed.text ? null : line.text,
      eachCents: line.eachCents === computed.eachCents ? null : line.eachCents,
    };
    const result = await save('PUT', path, { key: computed.key, ...body, seen });
    if (result.ok) onDone();
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const cents = parseMoneyIn(price, job.currency);
    if (cents === null || cents < 0) {
      setWrong('Type what one costs, such as 49.90.');
      return;
    }
    const eachCents = line.kind === 'credit' ? -cents : cents;
    void write({
      text: text.trim() === computed.text ? null : text.trim(),
      eachCents: eachCents === computed.eachCents ? null : eachCents,
    });
  };
  return (
    <form
      onSubmit={submit}
      onKeyDown={(event) => event.key === 'Escape' && onDone()}
      className="grid gap-2 py-1.5"
      aria-label={`Type over: ${computed.text}`}
    >
      <Field label="Words" value={text} maxLength={200} onChange={(event) => setText(event.target.value)} />
      <Field
        label={line.quantity > 1 ? `Price of one of ${line.quantity}` : 'Price'}
        unit={job.currency}
        inputMode="decimal"
        value={price}
        autoFocus
        onFocus={(event) => event.target.select()}
        hint={`computed ${moneyIn(job.language, Math.abs(computed.eachCents), job.currency)}`}
        onChange={(event) => setPrice(event.target.value)}
      />
      <Fault sentence={wrong ?? sentence} />
      <div className="flex flex-wrap gap-2">
        <Button type="submit" weight="act" disabled={busy}>
          Keep
        </Button>
        <Button disabled={busy} onClick={() => void write({ text: null, eachCents: null })}>
          As computed
        </Button>
        <Button weight="quiet" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </form>
  );
}

/** A line of a draft: what the customer reads, with what was computed beside what was typed over it. */
export function DraftLine(props: DraftLineProps) {
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
        {line.quantity > 1 && `${line.quantity} × `}
        {line.text}
        {line.origin === 'original' && <span className="text-ink-2"> (original)</span>}
        {line.origin === 'used' && <span className="text-ink-2"> (used, tested)</span>}
        {(isText || isPrice) && (
          <span className="block text-ink-2">
            computed:{' '}
            {[...(isText ? [computed.text] : []), ...(isPrice ? [money(line.quantity * computed.eachCents)] : [])].join(
              ', ',
            )}
          </span>
        )}
      </td>
      <td className="py-1 text-right whitespace-nowrap">
        {isTyped(line) ? (
          <button
            type="button"
            className="cursor-pointer underline decoration-dotted decoration-edge underline-offset-4 hover:decoration-act"
            aria-label={`${money(line.totalCents)}, type over ${line.text}`}
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
