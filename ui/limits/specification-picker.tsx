'use client';
import { useId, useState } from 'react';
import { useTranslations } from '#translations';
import {
  likelySource,
  SPECIFICATION_SOURCES,
  type SpecificationSource,
} from '@/core/machine/models/taken-specification';
import { readAs } from '@/core/reading/read';
import { isSpecification, type SpecificationReading } from '@/core/reading/reading';
import type { StaffWords } from '@/words/staff-words';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { type ClaimPick, ClaimPicks } from './claim-picks';
import { SOURCE_WORDS } from './limit-words';

/** A specification that was pasted, with what is taken of it and in whose name. */
export interface PastedSpecification {
  text: string;
  reading: SpecificationReading;
  picks: ClaimPick[];
  source: { kind: SpecificationSource; name: string };
}

/** A page's text is longer than any specification of memory that is pasted. */
export const MOST_SPECIFICATION = 20_000;

/** Reads pasted text as a specification; a sentence where it says nothing of memory. */
function readPasted(t: StaffWords<'limits'>, text: string): PastedSpecification | string {
  const result = readAs(text.slice(0, MOST_SPECIFICATION), 'specification');
  if (!result.ok) return t('spec.nothing');
  const { reading } = result;
  if (!isSpecification(reading) || (reading.claims.length === 0 && reading.slotCount === null))
    return t('spec.nothing');
  const picks = reading.claims.map(({ limit, value, quote }): ClaimPick => ({ limit, value, quote, isTaken: true }));
  return { text, reading, picks, source: likelySource(reading, text) };
}

interface PickerProps {
  pasted: PastedSpecification | null;
  onChange: (pasted: PastedSpecification | null) => void;
}

/** A field for a specification's text; what it claims is taken, changed or left, in the name of its source. */
export function SpecificationPicker({ pasted, onChange }: PickerProps) {
  const t = useTranslations('limits');
  const id = useId();
  const [text, setText] = useState(pasted?.text ?? '');
  const [wrong, setWrong] = useState<string | null>(null);
  const take = (next: string) => {
    setText(next);
    const read = next.trim() === '' ? null : readPasted(t, next);
    setWrong(typeof read === 'string' ? read : null);
    onChange(typeof read === 'string' ? null : read);
  };
  return (
    <div className="grid gap-3">
      <div>
        <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
          {t('spec.label')}
        </label>
        <textarea
          id={id}
          value={text}
          rows={pasted === null ? 6 : 3}
          maxLength={MOST_SPECIFICATION}
          spellCheck={false}
          placeholder={t('spec.hint')}
          onChange={(event) => take(event.target.value)}
          className={INPUT_LOOK}
        />
      </div>
      <Fault sentence={wrong} />
      {pasted !== null && (
        <>
          <div className="grid grid-cols-[12rem_1fr] gap-3 max-[620px]:grid-cols-1">
            <Choice
              label={t('source')}
              value={pasted.source.kind}
              onChange={(event) =>
                onChange({ ...pasted, source: { ...pasted.source, kind: event.target.value as SpecificationSource } })
              }
              options={SPECIFICATION_SOURCES.map((value) => ({ value, text: t(SOURCE_WORDS[value]) }))}
            />
            <Field
              label={t('spec.name')}
              maxLength={200}
              value={pasted.source.name}
              onChange={(event) => onChange({ ...pasted, source: { ...pasted.source, name: event.target.value } })}
            />
          </div>
          {pasted.picks.length > 0 && (
            <ClaimPicks picks={pasted.picks} onChange={(picks) => onChange({ ...pasted, picks })} />
          )}
        </>
      )}
    </div>
  );
}

/** What of a pasted specification is taken, as it is sent. */
export const takenClaims = ({ picks }: PastedSpecification) =>
  picks.flatMap(({ limit, value, quote, isTaken }) => (isTaken ? [{ limit, value, quote: quote.slice(0, 400) }] : []));
