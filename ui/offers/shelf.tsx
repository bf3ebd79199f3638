'use client';
import Link from 'next/link';
import { useState } from 'react';
import { dayText } from '@/core/day-text';
import { moneyText } from '@/core/pricing/money-text';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { moduleOfLabel } from '../board/module-of-label';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { Sheet } from '../kit/sheet';

/** A used module that lies on our shelf. */
export interface ShownPiece {
  id: number;
  title: string;
  serial: string | null;
  note: string;
  originJobId: number | null;
  promisedTo: number | null;
  heldUntil: string | null;
  /** what it is worth to the shop; null: whoever looks may not see it */
  costCents: number | null;
}

const TESTS = [
  { value: 'tested', text: 'tested' },
  { value: 'read', text: 'read in a machine' },
  { value: 'untested', text: 'not tested' },
];
const GRADES = [
  { value: 'A', text: 'A, as new' },
  { value: 'B', text: 'B, used' },
  { value: 'C', text: 'C, marked' },
];

interface Typed {
  label: string;
  serial: string;
  test: string;
  grade: string;
  job: string;
  worth: string;
  note: string;
}
const BLANK: Typed = { label: '', serial: '', test: 'tested', grade: 'B', job: '', worth: '', note: '' };

/** What was typed, as it is sent; or what is wrong with it. */
function bodyOf(
  { label, serial, test, grade, job, worth, note }: Typed,
  currency: string,
): { ok: true; body: object } | { ok: false; sentence: string } {
  if (label.trim() === '') return { ok: false, sentence: 'Type the module’s label.' };
  const originJobId = job.trim() === '' ? null : Number(job);
  if (originJobId !== null && !/^[1-9]\d{0,8}$/.test(job.trim()))
    return { ok: false, sentence: 'A job is its number, such as 12.' };
  const worthCents = worth.trim() === '' ? null : parseMoneyIn(worth, currency);
  if (worth.trim() !== '' && (worthCents === null || worthCents <= 0)) {
    return { ok: false, sentence: 'Type what it is worth such as 9.50, or leave it to the rule.' };
  }
  return { ok: true, body: { label, serial, test, grade, note, originJobId, worthCents } };
}

function PieceSheet({
  currency,
  onClose,
  onSaid,
}: {
  currency: string;
  onClose: () => void;
  onSaid: (text: string) => void;
}) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(BLANK);
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (field: keyof Typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const submit = async () => {
    const made = bodyOf(typed, currency);
    setWrong(made.ok ? null : made.sentence);
    if (!made.ok) return;
    const result = await save<{ sentence: string }>('POST', '/api/shelf', made.body);
    if (!result.ok) return;
    onSaid(result.value.sentence);
    onClose();
  };
  return (
    <Sheet
      open
      title="A piece for the shelf"
      description="One module, on sale once: as soon as a quote promises it, no other can."
      onClose={onClose}
    >
      <form
        className="grid grid-cols-2 gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Field
          label="Its label, typed or pasted"
          className="col-span-2"
          placeholder="Corrick 8GB 2Rx8 PC4-2400T DIMM"
          value={typed.label}
          onChange={set('label')}
          autoFocus
          {...(typed.label.trim() === ''
            ? {}
            : { hint: moduleOfLabel(typed.label)?.line ?? 'Not understood as a module yet.' })}
        />
        <Choice label="Test" value={typed.test} onChange={set('test')} options={TESTS} />
        <Choice label="Grade" value={typed.grade} onChange={set('grade')} options={GRADES} />
        <Field label="Serial" value={typed.serial} onChange={set('serial')} maxLength={80} data-scan="serial" />
        <Field label="From job" inputMode="numeric" value={typed.job} onChange={set('job')} />
        <Field
          label="Worth to us"
          unit={currency}
          inputMode="decimal"
          placeholder="by the rule"
          value={typed.worth}
          onChange={set('worth')}
        />
        <Field label="Note" value={typed.note} onChange={set('note')} maxLength={200} />
        <div className="col-span-2 flex flex-wrap justify-end items-center gap-3">
          <Fault sentence={wrong ?? sentence} />
          <Button weight="act" type="submit" disabled={busy}>
            Put it on the shelf
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

/** Our own shelf, piece by piece, with whom each is promised to. */
export function Shelf({
  pieces,
  currency,
  mayPrice,
}: {
  pieces: readonly ShownPiece[];
  currency: string;
  mayPrice: boolean;
}) {
  const { busy, sentence, save } = useSave();
  const [putting, setPutting] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  return (
    <section aria-label="Our shelf">
      <h2 className="text-base border-b-4 border-edge pb-1 flex items-baseline justify-between gap-3">
        <span>
          Our shelf <span className="font-normal text-ink-2">{pieces.length}</span>
        </span>
        {mayPrice && (
          <Button weight="quiet" onClick={() => setPutting(true)}>
            Put a piece on it
          </Button>
        )}
      </h2>
      {said !== null && (
        <Notice tone="good" live>
          {said}
        </Notice>
      )}
      <Fault sentence={sentence} />
      {pieces.length === 0 && <p className="bg-sheet px-4 py-4 text-sm">Nothing lies on it.</p>}
      <ul
        aria-label="Pieces"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
        className="bg-sheet max-h-80 overflow-y-auto"
      >
        {pieces.map(({ id, title, serial, note, originJobId, promisedTo, heldUntil, costCents }) => (
          <li key={id} className="flex items-baseline gap-3 px-4 py-1.5 border-b border-line text-sm">
            <span className="flex-1 min-w-0">
              <span className="font-medium">{title}</span>
              <span className="text-ink-2">
                {serial !== null && ` · serial ${serial}`}
                {originJobId !== null && (
                  <>
                    {' · from '}
                    <Link href={`/jobs/${originJobId}`} className="underline underline-offset-2">
                      job {originJobId}
                    </Link>
                  </>
                )}
                {note !== '' && ` · ${note}`}
              </span>
            </span>
            {promisedTo !== null && heldUntil !== null && (
              <span className="text-mind">
                promised to{' '}
                <Link href={`/jobs/${promisedTo}`} className="underline underline-offset-2">
                  job {promisedTo}
                </Link>{' '}
                until {dayText(heldUntil)}
              </span>
            )}
            {costCents !== null && (
              <span className="text-ink-2 whitespace-nowrap">worth {moneyText(costCents, currency)}</span>
            )}
            {mayPrice && promisedTo === null && (
              <Button
                weight="quiet"
                disabled={busy}
                onClick={() => void save('DELETE', `/api/shelf/${id}`)}
                aria-label={`Take it off: ${title}, piece ${id}`}
              >
                Take it off
              </Button>
            )}
          </li>
        ))}
      </ul>
      {putting && <PieceSheet currency={currency} onClose={() => setPutting(false)} onSaid={setSaid} />}
    </section>
  );
}
