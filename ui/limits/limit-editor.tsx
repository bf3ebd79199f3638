'use client';
import { useState } from 'react';
import type { Kind } from '@/core/memory/module';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { type LIMIT_ROWS, limitText, SOURCE_WORDS } from './limit-words';
import { parseLimit } from './parse-limit';

type Row = (typeof LIMIT_ROWS)[number];

const KIND_CHOICES: readonly { value: string; text: string; kinds: Kind[] }[] = [
  { value: 'u', text: 'unbuffered', kinds: [{ buffering: 'unbuffered', ecc: false }] },
  {
    value: 'ue',
    text: 'unbuffered, with or without ECC',
    kinds: [
      { buffering: 'unbuffered', ecc: false },
      { buffering: 'unbuffered', ecc: true },
    ],
  },
  { value: 'e', text: 'unbuffered ECC', kinds: [{ buffering: 'unbuffered', ecc: true }] },
  { value: 'r', text: 'registered ECC', kinds: [{ buffering: 'registered', ecc: true }] },
  {
    value: 'er',
    text: 'ECC, unbuffered or registered',
    kinds: [
      { buffering: 'unbuffered', ecc: true },
      { buffering: 'registered', ecc: true },
    ],
  },
  {
    value: 'lr',
    text: 'registered or load-reduced ECC',
    kinds: [
      { buffering: 'registered', ecc: true },
      { buffering: 'load-reduced', ecc: true },
    ],
  },
];

function firstText(row: Row, value: unknown): string {
  if (value === undefined) return row.words?.[0] ?? (row.sort === 'kinds' ? 'u' : '');
  if (row.sort === 'kinds')
    return KIND_CHOICES.find((one) => JSON.stringify(one.kinds) === JSON.stringify(value))?.value ?? 'u';
  return limitText(row.sort, value);
}

/** What other sources say, each a button that takes their word. */
function Words({ row, onTake }: { row: Row; onTake: (value: unknown) => void }) {
  const { job } = useJob();
  const holding = job.limits[row.name];
  if (holding === null) return <p className="text-ink-2">No source says anything yet.</p>;
  const said = [
    { value: holding.value as unknown, source: holding.source },
    ...holding.others.map((one) => ({ value: one.value as unknown, source: one.source })),
  ];
  return (
    <ul className="grid gap-1.5">
      {said.map((one, index) => (
        <li key={`${one.source.kind} ${one.source.name}`} className="flex items-baseline gap-2 flex-wrap">
          <span className="font-semibold min-w-24">{limitText(row.sort, one.value)}</span>
          <span className="text-ink-2 flex-1">
            {SOURCE_WORDS[one.source.kind]}: {one.source.name}
          </span>
          {index === 0 ? (
            <span className="text-sm text-good font-semibold">holds</span>
          ) : (
            <Button weight="quiet" onClick={() => onTake(one.value)}>
              Take this
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** The sheet on which one limit is decided: take a source's word, or type a value. */
export function LimitEditor({ row, onClose }: { row: Row; onClose: () => void }) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const holding = job.limits[row.name];
  const [text, setText] = useState(firstText(row, holding?.value));
  const [wrong, setWrong] = useState<string | null>(null);
  const decided = holding?.source.kind === 'technician';

  const put = async (value: unknown) => {
    const result = await save('PUT', `/api/jobs/${job.id}/limits`, { limit: row.name, value });
    if (result.ok) onClose();
  };
  const submit = () => {
    if (row.sort === 'kinds') {
      void put(KIND_CHOICES.find((one) => one.value === text)?.kinds);
      return;
    }
    const parsed = parseLimit(row.sort, text, row.list === true);
    if (parsed.ok) void put(parsed.value);
    else setWrong(parsed.sentence);
  };
  const choices =
    row.sort === 'kinds'
      ? KIND_CHOICES
      : row.sort === 'yes'
        ? ['yes', 'no'].map((one) => ({ value: one, text: one }))
        : row.words?.map((one) => ({ value: one, text: one }));
  return (
    <Sheet
      open
      title={row.text}
      description="The weightiest word holds: a decision here, then what was seen to work, then the tightest of the papers."
      onClose={onClose}
    >
      <Words row={row} onTake={put} />
      {row.sort !== 'load' && (
        <form
          className="flex items-end gap-2 mt-4"
          onSubmit={(event) => {
            event.preventDefault();
            submit();
          }}
        >
          {choices === undefined ? (
            <Field
              label="Decide it here"
              className="flex-1"
              value={text}
              onChange={(event) => setText(event.target.value)}
              error={wrong}
              unit={row.unit}
              autoFocus
            />
          ) : (
            <Choice
              label="Decide it here"
              className="flex-1"
              value={text}
              onChange={(event) => setText(event.target.value)}
              options={choices}
              autoFocus
            />
          )}
          <Button weight="act" type="submit" disabled={busy}>
            Decide
          </Button>
        </form>
      )}
      <div className="mt-2">
        <Fault sentence={sentence} />
      </div>
      <div className="flex justify-between mt-4">
        {decided ? (
          <Button weight="quiet" disabled={busy} onClick={() => put(null)}>
            Take the decision back
          </Button>
        ) : (
          <span />
        )}
        <Button onClick={onClose}>Close</Button>
      </div>
    </Sheet>
  );
}
