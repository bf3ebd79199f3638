'use client';
import { useRouter } from 'next/navigation';
import { type FormEvent, useId, useState } from 'react';
import type { CustomerOption, CustomerQuote } from '@/core/quoting/customer-view';
import { faultOfAcceptance, statementsOf } from '@/core/quoting/quote-answer';
import { capacityIn, languageOfQuote, moneyIn, wordsOf } from '@/core/quoting/words/in-language';
import { callOnce } from '../client/session-guard';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';

/** What is chosen from: no more of the quote than that, since all of it would be sent to the browser a second time. */
export type Choosable = Pick<CustomerQuote, 'language' | 'suggested' | 'currency'> & {
  options: readonly Pick<CustomerOption, 'place' | 'totalMiB' | 'totalCents' | 'statements'>[];
};

interface AnswerFormProps {
  quote: Choosable;
  /** where answers go */
  path: string;
}

/** Sends what the customer says; the page shows what became of it. */
function useAnswer(path: string) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [sentence, setSentence] = useState<string | null>(null);
  const send = async (body: object): Promise<boolean> => {
    setBusy(true);
    const result = await callOnce('POST', path, body);
    setBusy(false);
    setSentence(result.ok ? null : result.sentence);
    // A yes from another window is on the page as well.
    if (result.ok || result.code === 'conflict') router.refresh();
    return result.ok;
  };
  return { busy, sentence, send };
}

/** Yes to one option: chosen, its statements ticked, signed by name. */
export function AcceptForm({ quote, path }: AnswerFormProps) {
  const id = useId();
  const { options, suggested, currency } = quote;
  const language = languageOfQuote(quote);
  const { page, faults, option: optionWords } = wordsOf(quote);
  const [only] = options;
  const [place, setPlace] = useState<number | null>(options.length === 1 ? (only?.place ?? null) : suggested);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [signed, setSigned] = useState('');
  const { busy, sentence, send } = useAnswer(path);
  const option = options.find((one) => one.place === place);
  const statements = option === undefined ? [] : statementsOf(option);
  const [missing, setMissing] = useState<string | null>(null);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const said = { place: place ?? 0, signed: signed.trim(), ticked: statements.filter((one) => ticked.has(one)) };
    const wrong = place === null ? faults.chooseFirst : faultOfAcceptance(quote, said);
    setMissing(wrong);
    if (wrong === null) void send({ kind: 'accept', ...said });
  };
  return (
    <form onSubmit={submit} className="bg-sheet border-2 border-act px-5 py-4 grid gap-3" aria-labelledby={`${id}-yes`}>
      <h2 id={`${id}-yes`} className="text-xl">
        {page.sayYes}
      </h2>
      {options.length > 1 && (
        <fieldset className="grid gap-1">
          <legend className="text-sm font-medium text-ink-2 mb-1">{page.which}</legend>
          {options.map((one) => (
            <label key={one.place} className="flex items-center gap-2.5 min-h-11">
              <input
                type="radio"
                name={`${id}-place`}
                className="size-5 accent-act"
                checked={one.place === place}
                onChange={() => setPlace(one.place)}
              />
              <span>
                {optionWords(one.place)}:{' '}
                <strong>
                  {page.forPrice(capacityIn(language, one.totalMiB), moneyIn(language, one.totalCents, currency))}
                </strong>
                {one.place === suggested && `, ${page.whichWeSuggest}`}
              </span>
            </label>
          ))}
        </fieldset>
      )}
      {statements.length > 0 && (
        <fieldset className="grid gap-2">
          <legend className="text-sm font-medium text-ink-2 mb-1">{page.readAndTick}</legend>
          {statements.map((statement) => (
            <Check
              key={statement}
              className="!items-start !text-base"
              checked={ticked.has(statement)}
              onChange={(on) => {
                const next = new Set(ticked);
                if (on) next.add(statement);
                else next.delete(statement);
                setTicked(next);
              }}
            >
              {statement}
            </Check>
          ))}
        </fieldset>
      )}
      <Field
        label={page.signature}
        className="max-w-md"
        autoComplete="name"
        maxLength={120}
        value={signed}
        onChange={(event) => setSigned(event.target.value)}
      />
      <Fault sentence={missing ?? sentence} />
      <div className="flex flex-wrap items-center gap-3">
        <Button weight="act" type="submit" disabled={busy} className="min-h-11 text-base">
          {busy
            ? page.sending
            : option === undefined
              ? page.yes
              : page.yesTo(
                  page.forPrice(capacityIn(language, option.totalMiB), moneyIn(language, option.totalCents, currency)),
                )}
        </Button>
        <span className="text-sm text-ink-2">{page.orderThen}</span>
      </div>
    </form>
  );
}

interface WordsFormProps {
  path: string;
  kind: 'decline' | 'ask';
  title: string;
  label: string;
  press: string;
  /** while it is under way */
  sending: string;
  /** what is said once it is sent; the page says it itself where this is empty */
  thanks: string;
  /** it may be sent without a word */
  wordless?: boolean;
}

/** A no with its reason, or a question; folded away until it is wanted. */
export function WordsForm({ path, kind, title, label, press, sending, thanks, wordless = false }: WordsFormProps) {
  const id = useId();
  const [words, setWords] = useState('');
  const [isSent, setIsSent] = useState(false);
  const { busy, sentence, send } = useAnswer(path);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!(await send({ kind, words }))) return;
    setWords('');
    setIsSent(true);
  };
  return (
    <details className="border-b border-line py-2">
      <summary className="cursor-pointer font-medium min-h-9 flex items-center">{title}</summary>
      <form onSubmit={submit} className="grid gap-2 pt-1 pb-2 max-w-xl">
        <label htmlFor={id} className="text-sm font-medium text-ink-2">
          {label}
        </label>
        <textarea
          id={id}
          rows={3}
          maxLength={2000}
          value={words}
          onChange={(event) => {
            setWords(event.target.value);
            setIsSent(false);
          }}
          className="w-full bg-sheet border border-edge rounded-notch px-3 py-2 text-base resize-y"
        />
        <Fault sentence={sentence} />
        <div className="flex items-center gap-3">
          <Button type="submit" disabled={busy || (words.trim() === '' && !wordless)} className="min-h-11">
            {busy ? sending : press}
          </Button>
          <span role="status" className="text-sm text-good font-medium">
            {isSent && thanks !== '' ? `✓ ${thanks}` : ''}
          </span>
        </div>
      </form>
    </details>
  );
}
