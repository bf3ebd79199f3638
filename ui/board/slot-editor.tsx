'use client';
import { useState } from 'react';
import type { JobSlot, KnownModule } from '@/core/machine/job-slot';
import { NOTHING_KNOWN } from '@/core/machine/job-slot';
import { capacityText } from '@/core/memory/capacity';
import { GENERATIONS, type Generation } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { parseMoney } from '@/core/pricing/parse-money';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';

/** A slot as it is typed: text until it is saved. */
interface Typed {
  channel: string;
  bank: string;
  largest: string;
  capacity: string;
  rate: string;
  cl: string;
  ranks: string;
  generation: string;
  form: string;
  keep: JobSlot['keep'];
  credit: string;
}

const numberText = (value: number | null | undefined): string => (value == null ? '' : String(value));

function typedOf({ channel, bank, maxMiB, module, keep, creditCents }: JobSlot): Typed {
  return {
    channel,
    bank: String(bank),
    largest: maxMiB === null ? '' : capacityText(maxMiB),
    capacity: module?.capacityMiB == null ? '' : capacityText(module.capacityMiB),
    rate: numberText(module?.rateMTs),
    cl: numberText(module?.casLatency),
    ranks: numberText(module?.ranks),
    generation: module?.generation ?? '',
    form: module?.form ?? '',
    keep,
    credit: creditCents === 0 ? '' : String(creditCents / 100),
  };
}

const wholeOrNull = (text: string): number | null | undefined => {
  if (text.trim() === '') return null;
  return /^\d{1,6}$/.test(text.trim()) && Number(text) > 0 ? Number(text) : undefined;
};

type Errors = Partial<Record<keyof Typed, string>>;

/** The slot that was typed, or what is wrong with it. An empty capacity means an empty slot. */
function slotOf(slot: JobSlot, typed: Typed): { slot: JobSlot } | { errors: Errors } {
  const errors: Errors = {};
  const capacityMiB = typed.capacity.trim() === '' ? null : parseCapacity(typed.capacity);
  if (typed.capacity.trim() !== '' && capacityMiB === null) errors.capacity = 'Type a size such as 8 GB.';
  if (slot.soldered && capacityMiB === null) errors.capacity = 'Soldered memory has a size: type it.';
  const numbers = { rate: wholeOrNull(typed.rate), cl: wholeOrNull(typed.cl), ranks: wholeOrNull(typed.ranks) };
  if (numbers.rate === undefined) errors.rate = 'Type the MT/s, such as 2400.';
  if (numbers.cl === undefined) errors.cl = 'A whole number, such as 17.';
  if (numbers.ranks === undefined) errors.ranks = 'A whole number, such as 1.';
  const creditCents = typed.credit.trim() === '' ? 0 : parseMoney(typed.credit);
  if (creditCents === null || creditCents < 0) errors.credit = 'An amount of 0 or more.';
  const channel = typed.channel.trim();
  if (channel === '') errors.channel = 'Type its channel, such as A.';
  if (!/^\d{1,2}$/.test(typed.bank.trim())) errors.bank = 'A whole number, such as 1.';
  const maxMiB = typed.largest.trim() === '' ? null : parseCapacity(typed.largest);
  if (typed.largest.trim() !== '' && maxMiB === null) errors.largest = 'Type a size such as 16 GB.';
  if (Object.keys(errors).length > 0) return { errors };
  const known: KnownModule = {
    ...(slot.module ?? NOTHING_KNOWN),
    capacityMiB,
    rateMTs: numbers.rate ?? null,
    casLatency: numbers.cl ?? null,
    ranks: numbers.ranks ?? null,
    generation: typed.generation === '' ? null : (typed.generation as Generation),
    form: typed.form === '' ? null : typed.form,
  };
  const module = capacityMiB === null ? null : known;
  const bank = Number(typed.bank);
  const moved = channel !== slot.channel || bank !== slot.bank || maxMiB !== slot.maxMiB;
  return {
    slot: {
      ...slot,
      channel,
      bank,
      maxMiB,
      module,
      keep: typed.keep,
      creditCents: creditCents ?? 0,
      placeSource: moved ? 'typed' : slot.placeSource,
      moduleSource: JSON.stringify(module) === JSON.stringify(slot.module) ? slot.moduleSource : 'typed',
    },
  };
}

/** The sheet on which one slot is typed: what is in it, and what may become of that. */
export function SlotEditor({ name, onClose }: { name: string; onClose: () => void }) {
  const { job } = useJob();
  const slot = job.slots.find((one) => one.name === name);
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(slot === undefined ? null : typedOf(slot));
  const [errors, setErrors] = useState<Errors>({});
  if (slot === undefined || typed === null) return null;
  const set = (field: keyof Typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const put = async (slots: JobSlot[]) => {
    const result = await save('PUT', `/api/jobs/${job.id}/slots`, { version: job.slotsVersion, slots });
    if (result.ok) onClose();
  };
  const submit = () => {
    const made = slotOf(slot, typed);
    if ('errors' in made) setErrors(made.errors);
    else void put(job.slots.map((one) => (one.name === name ? made.slot : one)));
  };
  const anything = [{ value: '', text: 'not known' }];
  return (
    <Sheet
      open
      title={`Slot ${name}`}
      description={
        slot.soldered ? 'Soldered: it cannot be taken out.' : 'What is in it, where it is, and what may become of it.'
      }
      onClose={onClose}
    >
      <form
        className="grid grid-cols-2 gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <Field
          label="Capacity"
          value={typed.capacity}
          onChange={set('capacity')}
          error={errors.capacity ?? null}
          placeholder="empty"
          autoFocus
        />
        <Field
          label="Rate"
          unit="MT/s"
          inputMode="numeric"
          value={typed.rate}
          onChange={set('rate')}
          error={errors.rate ?? null}
        />
        <Field label="CL" inputMode="numeric" value={typed.cl} onChange={set('cl')} error={errors.cl ?? null} />
        <Field
          label="Ranks"
          inputMode="numeric"
          value={typed.ranks}
          onChange={set('ranks')}
          error={errors.ranks ?? null}
        />
        <Choice
          label="Generation"
          value={typed.generation}
          onChange={set('generation')}
          options={[...anything, ...GENERATIONS.map((one) => ({ value: one, text: one }))]}
        />
        <Choice
          label="Form"
          value={typed.form}
          onChange={set('form')}
          options={[...anything, { value: 'DIMM', text: 'DIMM' }, { value: 'SO-DIMM', text: 'SO-DIMM' }]}
        />
        <div className="col-span-2 grid grid-cols-3 gap-3 border-t border-line pt-2">
          <Field label="Channel" value={typed.channel} onChange={set('channel')} error={errors.channel ?? null} />
          <Field
            label="Bank"
            inputMode="numeric"
            value={typed.bank}
            onChange={set('bank')}
            error={errors.bank ?? null}
          />
          <Field
            label="Largest module"
            value={typed.largest}
            onChange={set('largest')}
            error={errors.largest ?? null}
            placeholder="as the board"
          />
        </div>
        {!slot.soldered && (
          <>
            <Choice
              label="This module"
              value={typed.keep}
              onChange={set('keep')}
              options={[
                { value: 'may', text: 'may stay or go' },
                { value: 'must', text: 'must stay' },
                { value: 'never', text: 'goes in any case' },
              ]}
            />
            <Field
              label="Credit if it comes out"
              inputMode="decimal"
              unit={job.currency}
              value={typed.credit}
              onChange={set('credit')}
              error={errors.credit ?? null}
              placeholder="0"
            />
          </>
        )}
        <div className="col-span-2">
          <Fault sentence={sentence} />
        </div>
        <div className="col-span-2 flex justify-end gap-2 mt-1">
          <Button onClick={onClose}>Leave it as it is</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Save the slot
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
