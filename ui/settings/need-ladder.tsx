'use client';
import { useState } from 'react';
import type { SystemNeed, UseNeed } from '@/core/machine/suggest-target';
import { capacityText } from '@/core/memory/capacity';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import {
  type Needs,
  readSystem,
  readUse,
  rungsOfUses,
  type Typed,
  typedSystem,
  typedUse,
  withEntry,
} from './need-logic';

interface EntryFormProps {
  start: Typed;
  words: { name: string; size: string; more: string; empty: string };
  fault: string | null;
  isNew: boolean;
  onDone: (typed: Typed) => void;
  onOut: () => void;
  onLeave: () => void;
}

/** One entry while it is changed, in its place. */
function EntryForm({ start, words, fault, isNew, onDone, onOut, onLeave }: EntryFormProps) {
  const [typed, setTyped] = useState(start);
  const set = (field: keyof Typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  return (
    <form
      className="border-2 border-act bg-sheet rounded-notch px-3 py-2 grid grid-cols-[1fr_7rem_2fr] gap-2 items-end basis-full"
      onSubmit={(event) => {
        event.preventDefault();
        onDone(typed);
      }}
    >
      <Field label={words.name} value={typed.name} maxLength={60} onChange={set('name')} autoFocus />
      <Field label={words.size} value={typed.size} placeholder="16 GB" onChange={set('size')} />
      <Field label={words.more} value={typed.more} placeholder={words.empty} maxLength={200} onChange={set('more')} />
      <div className="col-span-3 flex flex-wrap items-center gap-2">
        <Button weight="act" type="submit">
          Keep
        </Button>
        {!isNew && <Button onClick={onOut}>Take it out</Button>}
        <Button weight="quiet" onClick={onLeave}>
          Leave it
        </Button>
        <Fault sentence={fault} />
      </div>
    </form>
  );
}

const USE_WORDS = { name: 'Use', size: 'Needs', more: 'Why', empty: 'said to the customer' };
const SYSTEM_WORDS = { name: 'System', size: 'For itself', more: 'Sees at the most', empty: 'all there is' };
const BLANK: Typed = { name: '', size: '', more: '' };

/** What is being changed: an entry, a new one of its kind, or nothing. */
type Editing = { kind: 'use'; entry: UseNeed | null } | { kind: 'system'; entry: SystemNeed | null } | null;

function Chip({ name, detail, onPick }: { name: string; detail: string; onPick: () => void }) {
  return (
    <button
      type="button"
      onClick={onPick}
      className="text-left px-2.5 py-1 border border-edge rounded-notch bg-sheet hover:bg-sunk cursor-pointer"
    >
      <span className="font-semibold">{name}</span>
      {detail !== '' && <span className="block text-sm text-ink-2">{detail}</span>}
    </button>
  );
}

/** The least that anybody is advised, as a line under the rungs. */
function Floor({ needs, onSave }: { needs: Needs; onSave: (needs: Needs) => void }) {
  const [text, setText] = useState(capacityText(needs.floorMiB));
  const [wrong, setWrong] = useState<string | null>(null);
  const done = () => {
    const floorMiB = parseCapacity(text);
    setWrong(floorMiB === null ? `"${text}" is no size such as 8 GB.` : null);
    if (floorMiB !== null && floorMiB !== needs.floorMiB) onSave({ ...needs, floorMiB });
  };
  return (
    <div className="ground-hatch px-3 pt-2">
      <div className="w-56">
        <Field
          label="Nobody is advised less than"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={done}
          error={wrong}
        />
      </div>
    </div>
  );
}

/** What uses and operating systems need, as the shop sees it: each use stands on the rung it needs. */
export function NeedLadder({ needs }: { needs: Needs }) {
  const { sentence, save } = useSave();
  const [editing, setEditing] = useState<Editing>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [before, setBefore] = useState<Needs | null>(null);
  const put = async (next: Needs, undo: Needs | null) => {
    setWrong(null);
    const result = await save('PUT', '/api/needs', next);
    if (!result.ok) return;
    setBefore(undo);
    setEditing(null);
  };
  const edit = (next: Editing) => {
    setWrong(null);
    setEditing(next);
  };
  const form = (now: NonNullable<Editing>) => {
    const isUse = now.kind === 'use';
    const start = now.entry === null ? BLANK : now.kind === 'use' ? typedUse(now.entry) : typedSystem(now.entry);
    const write = (typed: Typed | null) => {
      if (now.kind === 'use') {
        const made = typed === null ? { ok: true as const, value: null } : readUse(typed);
        if (!made.ok) setWrong(made.sentence);
        else void put({ ...needs, uses: withEntry(needs.uses, now.entry, made.value) }, needs);
      } else {
        const made = typed === null ? { ok: true as const, value: null } : readSystem(typed);
        if (!made.ok) setWrong(made.sentence);
        else void put({ ...needs, systems: withEntry(needs.systems, now.entry, made.value) }, needs);
      }
    };
    return (
      <EntryForm
        start={start}
        words={isUse ? USE_WORDS : SYSTEM_WORDS}
        fault={wrong ?? sentence}
        isNew={now.entry === null}
        onDone={write}
        onOut={() => write(null)}
        onLeave={() => edit(null)}
      />
    );
  };
  const open = (entry: UseNeed | SystemNeed) => editing !== null && editing.entry === entry;
  return (
    <div className="grid gap-5">
      <section aria-label="What people need">
        <div className="flex items-baseline justify-between gap-3 border-b-4 border-edge pb-1">
          <h2 className="text-base">What people need</h2>
          <span className="flex gap-3">
            {before !== null && (
              <Button weight="quiet" onClick={() => void put(before, null)}>
                Undo the last change
              </Button>
            )}
            <Button weight="quiet" onClick={() => edit({ kind: 'use', entry: null })}>
              Add a use
            </Button>
          </span>
        </div>
        {editing?.kind === 'use' && editing.entry === null && <div className="py-2">{form(editing)}</div>}
        <ul>
          {rungsOfUses(needs.uses).map(({ mib, uses }) => (
            <li key={mib} className="grid grid-cols-[6rem_1fr] gap-3 border-b border-line py-2.5">
              <span className="text-lg font-semibold wide">{capacityText(mib)}</span>
              <div className="flex flex-wrap gap-2">
                {uses.map((entry) =>
                  editing !== null && open(entry) ? (
                    <div key={entry.use} className="basis-full">
                      {form(editing)}
                    </div>
                  ) : (
                    <Chip
                      key={entry.use}
                      name={entry.use}
                      detail={entry.reason}
                      onPick={() => edit({ kind: 'use', entry })}
                    />
                  ),
                )}
              </div>
            </li>
          ))}
        </ul>
        <Floor key={needs.floorMiB} needs={needs} onSave={(next) => void put(next, needs)} />
      </section>
      <section aria-label="What systems need">
        <div className="flex items-baseline justify-between gap-3 border-b-4 border-edge pb-1 mb-2">
          <h2 className="text-base">What operating systems need and see</h2>
          <Button weight="quiet" onClick={() => edit({ kind: 'system', entry: null })}>
            Add a system
          </Button>
        </div>
        <div className="flex flex-wrap gap-2">
          {editing?.kind === 'system' && editing.entry === null && form(editing)}
          {needs.systems.map((entry) =>
            editing !== null && open(entry) ? (
              <div key={entry.os} className="basis-full">
                {form(editing)}
              </div>
            ) : (
              <Chip
                key={entry.os}
                name={entry.os}
                detail={`${capacityText(entry.leastMiB)} for itself, sees ${entry.visibleMiB === null ? 'all there is' : `${capacityText(entry.visibleMiB)} at the most`}`}
                onPick={() => edit({ kind: 'system', entry })}
              />
            ),
          )}
        </div>
      </section>
      {editing === null && <Fault sentence={sentence} />}
    </div>
  );
}
