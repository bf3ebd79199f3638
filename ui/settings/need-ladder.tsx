'use client';
import { type ReactNode, useState } from 'react';
import { useTranslations } from '#translations';
import type { SystemNeed, UseNeed } from '@/core/machine/suggest-target';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { StaffWords } from '@/words/staff-words';
import type { Called } from '../client/session-guard';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import type { Read } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { capacityText } from '../words/amounts';
import {
  readSystem,
  readUse,
  rungsOfUses,
  type ShownNeeds,
  type TypedNeed,
  typedSystem,
  typedUse,
  withEntry,
} from './need-logic';

interface EntryFormProps<Need> {
  /** null: one that is added */
  entry: Need | null;
  typed: (entry: Need) => TypedNeed;
  read: (typed: TypedNeed) => Read<TypedNeed, Need>;
  words: typeof USE_WORDS | typeof SYSTEM_WORDS;
  /** puts another in its place; null: takes it out */
  onPut: (entry: Need | null) => Promise<Called<unknown>>;
  onLeave: () => void;
}

/** One entry while it is changed, in its place. */
function EntryForm<Need>({ entry, typed, read, words, onPut, onLeave }: EntryFormProps<Need>) {
  const t = useTranslations('settings');
  const typing = useTyped<TypedNeed, Need>({ from: entry === null ? BLANK : typed(entry), read, send: onPut });
  return (
    <Form
      typing={typing}
      box="border-2 border-act bg-sheet rounded-notch px-3 py-2 basis-full"
      className="grid grid-cols-[1fr_7rem_2fr] gap-2 items-end has-[[aria-invalid]]:items-start"
      action={t('save')}
      leave={t('cancel')}
      onLeave={onLeave}
      beside={
        entry !== null && (
          <Button disabled={typing.busy} onClick={() => void typing.act(() => onPut(null))}>
            {t('needs.delete')}
          </Button>
        )
      }
    >
      <TextField name="name" label={t(words.name)} maxLength={60} autoFocus />
      <TextField name="size" label={t(words.size)} placeholder="16 GB" />
      <TextField name="more" label={t(words.more)} placeholder={t(words.empty)} maxLength={200} />
    </Form>
  );
}

const USE_WORDS = { name: 'needs.use', size: 'needs.needs', more: 'needs.why', empty: 'needs.whyHint' } as const;
const SYSTEM_WORDS = {
  name: 'needs.system',
  size: 'needs.itself',
  more: 'needs.sees',
  empty: 'needs.allThere',
} as const;
const BLANK: TypedNeed = { name: '', size: '', more: '' };

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
function Floor({ needs, onSave }: { needs: ShownNeeds; onSave: (needs: ShownNeeds) => void }) {
  const t = useTranslations('settings');
  const [text, setText] = useState(capacityText(needs.floorMiB));
  const [wrong, setWrong] = useState<string | null>(null);
  const done = () => {
    const floorMiB = parseCapacity(text);
    setWrong(floorMiB === null ? t('needs.faults.systemSize', { text }) : null);
    if (floorMiB !== null && floorMiB !== needs.floorMiB) onSave({ ...needs, floorMiB });
  };
  return (
    <div className="ground-hatch px-3 pt-2">
      <div className="w-56">
        <Field
          label={t('needs.minimum')}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={done}
          error={wrong}
        />
      </div>
    </div>
  );
}

/** What is being changed: an entry, or a new one of its kind. */
interface Editing {
  kind: 'uses' | 'systems';
  entry: UseNeed | SystemNeed | null;
}

interface NeedsOfKindProps<Need extends UseNeed | SystemNeed> {
  needs: ShownNeeds;
  editing: Editing | null;
  onEdit: (editing: Editing | null) => void;
  onPut: (next: ShownNeeds) => Promise<Called<unknown>>;
  /** the entries as they stand, each drawn by what it is given */
  children: (draw: (entry: Need) => ReactNode) => ReactNode;
}

/** What people need: each use on the rung it needs. */
function Uses({ needs, editing, onEdit, onPut, children }: NeedsOfKindProps<UseNeed>) {
  const t = useTranslations('settings');
  const form = (entry: UseNeed | null) => (
    <EntryForm
      entry={entry}
      typed={typedUse}
      read={(typed) => readUse(t, typed)}
      words={USE_WORDS}
      onPut={(made) => onPut({ ...needs, uses: withEntry(needs.uses, entry, made) })}
      onLeave={() => onEdit(null)}
    />
  );
  return (
    <>
      {editing?.kind === 'uses' && editing.entry === null && <div className="py-2">{form(null)}</div>}
      {children((entry) =>
        editing?.entry === entry ? (
          <div key={entry.use} className="basis-full">
            {form(entry)}
          </div>
        ) : (
          <Chip key={entry.use} name={entry.use} detail={entry.reason} onPick={() => onEdit({ kind: 'uses', entry })} />
        ),
      )}
    </>
  );
}

/** What operating systems need and see. */
function Systems({ needs, editing, onEdit, onPut, children }: NeedsOfKindProps<SystemNeed>) {
  const t = useTranslations('settings');
  const form = (entry: SystemNeed | null) => (
    <EntryForm
      entry={entry}
      typed={typedSystem}
      read={(typed) => readSystem(t, typed)}
      words={SYSTEM_WORDS}
      onPut={(made) => onPut({ ...needs, systems: withEntry(needs.systems, entry, made) })}
      onLeave={() => onEdit(null)}
    />
  );
  return (
    <>
      {editing?.kind === 'systems' && editing.entry === null && form(null)}
      {children((entry) =>
        editing?.entry === entry ? (
          <div key={entry.os} className="basis-full">
            {form(entry)}
          </div>
        ) : (
          <Chip
            key={entry.os}
            name={entry.os}
            detail={systemText(t, entry)}
            onPick={() => onEdit({ kind: 'systems', entry })}
          />
        ),
      )}
    </>
  );
}

const systemText = (t: StaffWords<'settings'>, { leastMiB, visibleMiB }: SystemNeed): string =>
  t('needs.line', {
    leastMiB: capacityText(leastMiB),
    value: visibleMiB === null ? t('needs.allThere') : t('needs.atMost', { visibleMiB: capacityText(visibleMiB) }),
  });

/** What uses and operating systems need, as the shop sees it: each use stands on the rung it needs. */
export function NeedLadder({ needs }: { needs: ShownNeeds }) {
  const t = useTranslations('settings');
  const { sentence, save } = useSave();
  const [editing, setEditing] = useState<Editing | null>(null);
  const [before, setBefore] = useState<ShownNeeds | null>(null);
  const put = async (next: ShownNeeds, undo: ShownNeeds | null): Promise<Called<unknown>> => {
    const result = await save('PUT', '/api/needs', next);
    if (!result.ok) return result;
    setBefore(undo);
    setEditing(null);
    return result;
  };
  const shared = { needs, editing, onEdit: setEditing, onPut: (next: ShownNeeds) => put(next, needs) };
  return (
    <div className="grid gap-5">
      <section id="needs" aria-label={t('needs.title')}>
        <div className="flex items-baseline justify-between gap-3 border-b-4 border-edge pb-1">
          <h2 className="text-base">{t('needs.title')}</h2>
          <span className="flex gap-3">
            {before !== null && (
              <Button weight="quiet" onClick={() => void put(before, null)}>
                {t('needs.undo')}
              </Button>
            )}
            <Button weight="quiet" onClick={() => setEditing({ kind: 'uses', entry: null })}>
              {t('needs.addUse')}
            </Button>
          </span>
        </div>
        <Uses {...shared}>
          {(draw) => (
            <ul>
              {rungsOfUses(needs.uses).map(({ mib, uses }) => (
                <li key={mib} className="grid grid-cols-[6rem_1fr] gap-3 border-b border-line py-2.5">
                  <span className="text-lg font-semibold wide">{capacityText(mib)}</span>
                  <div className="flex flex-wrap gap-2">{uses.map(draw)}</div>
                </li>
              ))}
            </ul>
          )}
        </Uses>
        <Floor key={needs.floorMiB} needs={needs} onSave={(next) => void put(next, needs)} />
      </section>
      <section aria-label={t('needs.systems')}>
        <div className="flex items-baseline justify-between gap-3 border-b-4 border-edge pb-1 mb-2">
          <h2 className="text-base">{t('needs.systemsTitle')}</h2>
          <Button weight="quiet" onClick={() => setEditing({ kind: 'systems', entry: null })}>
            {t('needs.addSystem')}
          </Button>
        </div>
        <div className="flex flex-wrap gap-2">
          <Systems {...shared}>{(draw) => needs.systems.map(draw)}</Systems>
        </div>
      </section>
      {editing === null && <Fault sentence={sentence} />}
    </div>
  );
}
