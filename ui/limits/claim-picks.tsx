'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { LimitName } from '@/core/machine/limits/limit';
import { Button } from '../kit/button';
import { LIMIT_ROWS, type LimitRow, limitText } from './limit-words';
import { choicesOf, typedText, typedValue } from './typed-limit';

/** A claim of a text that may be taken, changed or left. */
export interface ClaimPick {
  limit: LimitName;
  value: unknown;
  quote: string;
  isTaken: boolean;
}

const rowOf = (limit: LimitName): LimitRow | undefined => LIMIT_ROWS.find(({ name }) => name === limit);

/** The value of a claim while a person corrects it. */
function ValueEdit({ row, value, onDone }: { row: LimitRow; value: unknown; onDone: (value: unknown) => void }) {
  const t = useTranslations('limits');
  const [text, setText] = useState(typedText(t, row, value));
  const [wrong, setWrong] = useState<string | null>(null);
  const choices = choicesOf(t, row);
  const keep = () => {
    const parsed = typedValue(t, row, text);
    if (parsed.ok) onDone(parsed.value);
    else setWrong(parsed.sentence);
  };
  const look = 'bg-sheet border border-edge rounded-notch px-2 py-1 font-medium w-36';
  return (
    <span className="flex flex-wrap items-center gap-2">
      {choices === null ? (
        <input
          className={look}
          value={text}
          aria-label={t(row.text)}
          aria-invalid={wrong !== null || undefined}
          // biome-ignore lint/a11y/noAutofocus: the person just asked to change this value
          autoFocus
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            keep();
          }}
        />
      ) : (
        <select
          className={look}
          value={text}
          aria-label={t(row.text)}
          // biome-ignore lint/a11y/noAutofocus: the person just asked to change this value
          autoFocus
          onChange={(event) => setText(event.target.value)}
        >
          {choices.map((choice) => (
            <option key={choice.value} value={choice.value}>
              {choice.text}
            </option>
          ))}
        </select>
      )}
      <Button onClick={keep}>{t('set')}</Button>
      {wrong !== null && (
        <span role="alert" className="text-sm text-stop">
          {wrong}
        </span>
      )}
    </span>
  );
}

function Pick({ pick, onChange }: { pick: ClaimPick; onChange: (pick: ClaimPick) => void }) {
  const t = useTranslations('limits');
  const [editing, setEditing] = useState(false);
  const row = rowOf(pick.limit);
  if (row === undefined) return null;
  return (
    <li className="grid grid-cols-[1fr_auto] @2xl:grid-cols-[11rem_13rem_1fr_auto] gap-x-3 gap-y-1 items-center py-1.5">
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-act"
          checked={pick.isTaken}
          onChange={(event) => onChange({ ...pick, isTaken: event.target.checked })}
        />
        <span>{t(row.text)}</span>
      </label>
      {editing ? (
        <ValueEdit
          row={row}
          value={pick.value}
          onDone={(value) => {
            onChange({ ...pick, value, isTaken: true });
            setEditing(false);
          }}
        />
      ) : (
        <strong
          className={`tabular-nums justify-self-end @2xl:justify-self-start ${pick.isTaken ? '' : 'text-ink-2 line-through'}`}
        >
          {limitText(t, row.sort, pick.value)}
        </strong>
      )}
      <q className="text-sm text-ink-2 min-w-0 break-words">{pick.quote}</q>
      {!editing && (
        <Button weight="quiet" onClick={() => setEditing(true)} aria-label={t('changeOne', { text: t(row.text) })}>
          {t('change')}
        </Button>
      )}
    </li>
  );
}

/** Claims of a text, each with the words that it came from, to be taken, changed or left one by one. */
export function ClaimPicks({
  picks,
  onChange,
}: {
  picks: readonly ClaimPick[];
  onChange: (picks: ClaimPick[]) => void;
}) {
  const t = useTranslations('limits');
  return (
    <ul className="@container divide-y divide-line border-y border-line" aria-label={t('inText')}>
      {picks.map((pick, index) => (
        <Pick
          key={pick.limit}
          pick={pick}
          onChange={(next) => onChange(picks.map((one, at) => (at === index ? next : one)))}
        />
      ))}
    </ul>
  );
}
