'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { SOURCE_KINDS, type SourceKind } from '@/core/machine/limit';
import { capacityText } from '@/core/memory/capacity';
import { useSave } from '../client/use-save';
import { Ask } from '../job/ask';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';
import { LimitEditor } from './limit-editor';
import { LIMIT_ROWS, limitText, SOURCE_WORDS } from './limit-words';
import { SlotRows } from './slot-rows';

type Row = (typeof LIMIT_ROWS)[number];
type Limits = ReturnType<typeof useJob>['job']['limits'];

interface Word {
  kind: SourceKind;
  name: string;
  value: unknown;
  binds: boolean;
}

function wordsOn(limits: Limits, row: Row): Word[] {
  const holding = limits[row.name];
  if (holding === null) return [];
  return [
    { kind: holding.source.kind, name: holding.source.name, value: holding.value, binds: true },
    ...holding.others.map(({ value, source }) => ({
      kind: source.kind,
      name: source.name,
      value: value as unknown,
      binds: false,
    })),
  ];
}

/** What one source says on one limit; the word that holds carries the mark. */
function Cell({ row, words }: { row: Row; words: Word[] }) {
  return (
    <td className="px-2 py-1 align-top border-l border-line">
      {words.map((word) => (
        <span key={word.name} title={word.name} className={`block ${word.binds ? 'font-bold' : 'text-ink-2'}`}>
          {word.binds && (
            <span aria-hidden="true" className="text-act">
              ▸{' '}
            </span>
          )}
          {limitText(row.sort, word.value)}
          {word.binds && <span className="sr-only"> (holds)</span>}
        </span>
      ))}
    </td>
  );
}

function Grid({
  rows,
  kinds,
  limits,
  onPick,
}: {
  rows: readonly Row[];
  kinds: readonly SourceKind[];
  limits: Limits;
  /** null: who looks may not decide */
  onPick: ((row: Row) => void) | null;
}) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable by keyboard
    <section className="overflow-x-auto bg-sheet border border-line" aria-label="Limits and their sources" tabIndex={0}>
      <table className="w-full text-sm border-collapse">
        <thead>
          <tr className="text-left border-b-2 border-edge">
            <th scope="col" className="px-3 py-2 font-semibold">
              Limit
            </th>
            {kinds.map((kind) => (
              <th
                key={kind}
                scope="col"
                className="px-2 py-2 font-semibold narrow border-l border-line whitespace-nowrap"
              >
                {SOURCE_WORDS[kind]}
              </th>
            ))}
            <th scope="col" className="px-2 py-2 border-l border-line">
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const words = wordsOn(limits, row);
            const contested = limits[row.name]?.contested === true;
            return (
              <tr key={row.name} className="border-b border-line last:border-0">
                <th scope="row" className="px-3 py-1 text-left font-medium align-top whitespace-nowrap">
                  {row.text}
                  {contested && <span className="text-mind font-normal narrow"> △ they differ</span>}
                  {words.length === 0 && <span className="text-ink-2 font-normal narrow"> not known</span>}
                </th>
                {kinds.map((kind) => (
                  <Cell key={kind} row={row} words={words.filter((word) => word.kind === kind)} />
                ))}
                <td className="px-2 py-0.5 border-l border-line text-right">
                  {onPick !== null && (
                    <Button
                      weight="quiet"
                      onClick={() => onPick(row)}
                      aria-label={`${words.length === 0 ? 'Add' : 'Decide'}: ${row.text}`}
                    >
                      {words.length === 0 ? 'Add' : 'Decide'}
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

/** What was taken as usual because nobody said, so that somebody can object. */
function Assumptions() {
  const { job } = useJob();
  if (job.assumed.length === 0) return null;
  const words = {
    generation: 'generation',
    form: 'form',
    buffering: 'buffering',
    ecc: 'ECC',
    voltagesMv: 'voltage',
    rateMTs: 'rate',
  };
  return (
    <Notice tone="mind">
      <span className="text-sm">
        Not told, taken as usual for this machine:{' '}
        {job.assumed
          .map(({ slot, fields }) => `${slot}: ${fields.map((field) => words[field]).join(', ')}`)
          .join(' · ')}
        .
      </span>
    </Notice>
  );
}

/** Limits: rows are limits, columns are sources, the word that holds is marked; every one can be decided. */
export function LimitsStation() {
  const { job } = useJob();
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const [editing, setEditing] = useState<Row | null>(null);
  const rows = LIMIT_ROWS.filter((row) => !row.rare || job.limits[row.name] !== null);
  const all = rows.flatMap((row) => wordsOn(job.limits, row));
  const kinds = SOURCE_KINDS.filter((kind) => all.some((word) => word.kind === kind));
  const sockets = job.slots.filter((slot) => !slot.soldered);
  const channels = new Set(job.slots.map((slot) => slot.channel)).size;
  const inferred = job.slots.some((slot) => slot.placeSource === 'inferred');

  const agree = async () => {
    const result = await save('PUT', `/api/jobs/${job.id}/limits/agreed`, { agreed: true });
    if (result.ok) router.push(`/jobs/${job.id}/options`);
  };
  return (
    <div className="grid gap-3">
      <div className="flex items-end justify-between gap-4 flex-wrap">
        <div>
          <h1 className="text-lg">What this machine takes</h1>
          <p className="text-ink-2 text-sm">
            {sockets.length} {sockets.length === 1 ? 'socket' : 'sockets'} in {channels}{' '}
            {channels === 1 ? 'channel' : 'channels'}
            {job.slots.length > sockets.length && `, ${job.slots.length - sockets.length} soldered`}
            {inferred && '; channels told by the slots’ names'}
            {job.slots.some((slot) => slot.maxMiB !== null) &&
              `; largest by slot ${job.slots.flatMap((slot) => (slot.maxMiB === null ? [] : [`${slot.name} ${capacityText(slot.maxMiB)}`])).join(', ')}`}
          </p>
        </div>
        {job.may.decideLimits ? (
          <Button weight="act" disabled={busy || job.gaps.length > 0} onClick={agree}>
            {job.limitsAgreed ? 'On to Options' : 'These hold: on to Options'}
          </Button>
        ) : (
          <span className="text-sm text-ink-2">Limits are decided by a technician.</span>
        )}
      </div>
      <Ask />
      <Fault sentence={sentence} />
      <Grid rows={rows} kinds={kinds} limits={job.limits} onPick={job.may.decideLimits ? setEditing : null} />
      <SlotRows />
      <Assumptions />
      {editing !== null && <LimitEditor row={editing} onClose={() => setEditing(null)} />}
    </div>
  );
}
