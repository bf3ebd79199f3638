'use client';
import { useEffect, useRef, useState } from 'react';
import { dayText } from '@/core/day-text';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { moneyText } from '@/core/pricing/money-text';
import { percentText } from '@/core/pricing/percent-text';
import type { JobView } from '@/service/job/view';
import { useKeys } from '../client/use-keys';
import { useSave } from '../client/use-save';
import { usePut } from '../intake/use-put';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { KeyHint } from '../kit/key-hint';
import { readTerms, type TypedTerms, typedTerms } from './terms-words';

/** What is agreed beside the lines, in a line. */
function agreedText({ terms, currency, validityDays, language, customer }: JobView): string {
  const { discount, fees, deposit, validUntil, note } = terms;
  const either = (value: { kind: 'share'; bp: number } | { kind: 'amount'; cents: number }) =>
    value.kind === 'share' ? percentText(value.bp) : moneyText(value.cents, currency);
  return [
    ...(discount === null ? [] : [`discount ${either(discount)} (${discount.reason})`]),
    ...fees.map(({ text, cents }) => `${text} ${moneyText(cents, currency)}`),
    ...(deposit === null ? [] : [`deposit ${either(deposit)}`]),
    validUntil === null ? `prices hold ${validityDays} days` : `prices hold until ${dayText(validUntil)}`,
    `in ${LANGUAGE_NAMES[language]}`,
    ...(customer.taxExempt === null ? [] : [`no tax: ${customer.taxExempt}`]),
    ...(note === '' ? [] : ['with a word to the customer']),
  ].join(' · ');
}

interface TermsFormProps {
  onDone: () => void;
}

function TermsForm({ onDone }: TermsFormProps) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const putting = usePut();
  const [typed, setTyped] = useState<TypedTerms>(() => ({
    ...typedTerms(job.terms, job.currency),
    language: job.terms.language ?? job.customer.language ?? '',
  }));
  const [exempt, setExempt] = useState(job.customer.taxExempt ?? '');
  const [wrong, setWrong] = useState<string | null>(null);
  const [seen] = useState(job.terms);
  const set = (patch: Partial<TypedTerms>) => {
    setTyped({ ...typed, ...patch });
    setWrong(null);
  };
  const fees = [...typed.fees, ...(typed.fees.length < 6 ? [{ text: '', amount: '' }] : [])];
  const setFee = (nr: number, patch: Partial<TypedTerms['fees'][number]>) => {
    const next = fees.map((fee, at) => (at === nr ? { ...fee, ...patch } : fee));
    set({ fees: next.filter(({ text, amount }) => text !== '' || amount !== '') });
  };
  const submit = async () => {
    const read = readTerms(typed, job.currency);
    setWrong(read.ok ? null : read.sentence);
    if (!read.ok) return;
    // What is the customer's is known again with the next job.
    const { taxExempt, language } = job.customer;
    const wanted = typed.language || null;
    const patch = {
      ...(exempt.trim() !== (taxExempt ?? '') && { taxExempt: exempt.trim() || null }),
      ...(wanted !== language && { language: wanted }),
    };
    if (Object.keys(patch).length > 0) {
      const kept = await putting.put(patch);
      if (!kept.ok) return;
    }
    const result = await save('PUT', `/api/jobs/${job.id}/terms`, { terms: { ...read.terms, language: null }, seen });
    if (result.ok) onDone();
  };
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    form.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    <form
      ref={form}
      noValidate
      aria-label="Agreed beside the lines"
      className="bg-sheet border-2 border-act rounded-notch px-4 py-3 grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
      onKeyDown={(event) => event.key === 'Escape' && onDone()}
    >
      <div className="grid gap-3 grid-cols-12 items-end max-[860px]:grid-cols-4">
        <Field
          label="Discount"
          placeholder="5 % or 10.00"
          className="col-span-2"
          value={typed.discount}
          autoFocus
          onChange={(event) => set({ discount: event.target.value })}
        />
        <Field
          label="because"
          placeholder="the customer reads it"
          className="col-span-4"
          maxLength={120}
          value={typed.reason}
          onChange={(event) => set({ reason: event.target.value })}
        />
        <Field
          label="Deposit"
          placeholder="20 % or 30.00"
          className="col-span-2"
          value={typed.deposit}
          onChange={(event) => set({ deposit: event.target.value })}
        />
        <Field
          label="Prices hold until"
          type="date"
          className="col-span-2"
          min={job.today}
          value={typed.validUntil}
          onChange={(event) => set({ validUntil: event.target.value })}
        />
        <label className="col-span-2 text-sm font-medium text-ink-2 grid gap-0.5">
          This customer’s language
          <select
            className={INPUT_LOOK}
            value={typed.language}
            onChange={(event) => set({ language: event.target.value as Language | '' })}
          >
            <option value="">as usual</option>
            {LANGUAGES.map((language) => (
              <option key={language} value={language}>
                {LANGUAGE_NAMES[language]}
              </option>
            ))}
          </select>
        </label>
        {fees.map((fee, nr) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: fees have nothing else to be known by while they are typed
          <div key={nr} className="col-span-6 max-[860px]:col-span-4 grid grid-cols-[1fr_8rem] gap-2 items-end">
            <Field
              label={nr === 0 ? 'A fee' : 'Another fee'}
              placeholder="such as taking back the old battery"
              maxLength={120}
              value={fee.text}
              onChange={(event) => setFee(nr, { text: event.target.value })}
            />
            <Field
              label="costs"
              unit={job.currency}
              inputMode="decimal"
              value={fee.amount}
              onChange={(event) => setFee(nr, { amount: event.target.value })}
            />
          </div>
        ))}
        <Field
          label="This customer pays no tax because"
          placeholder="empty: pays it"
          className="col-span-6 max-[860px]:col-span-4"
          maxLength={120}
          value={exempt}
          onChange={(event) => setExempt(event.target.value)}
        />
        <label className="col-span-12 max-[860px]:col-span-4 text-sm font-medium text-ink-2 grid gap-0.5">
          A word to the customer
          <textarea
            rows={2}
            maxLength={1000}
            className={INPUT_LOOK}
            value={typed.note}
            onChange={(event) => set({ note: event.target.value })}
          />
        </label>
      </div>
      <Fault sentence={wrong ?? sentence} />
      <div className="flex flex-wrap gap-3">
        <Button weight="act" type="submit" disabled={busy}>
          Agree this
        </Button>
        <Button weight="quiet" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </form>
  );
}

/** What holds for the whole quote beside its lines: told in a line, changed in place. */
export function TermsBar() {
  const { job } = useJob();
  const [isOpen, setIsOpen] = useState(false);
  useKeys({ a: () => setIsOpen(true) });
  if (isOpen) return <TermsForm onDone={() => setIsOpen(false)} />;
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-y border-line py-2">
      <p className="text-sm min-w-0 break-words">
        <span className="font-semibold">Agreed:</span> {agreedText(job)}
      </p>
      <Button weight="quiet" onClick={() => setIsOpen(true)} aria-keyshortcuts="a">
        Change what is agreed <KeyHint of="A" />
      </Button>
    </div>
  );
}
