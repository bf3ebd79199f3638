'use client';
import Link from 'next/link';
import { useState } from 'react';
import { NOTHING_KNOWN } from '@/core/machine/models/nothing-known';
import type { JobSlot, KnownModule } from '@/core/machine/slots/job-slot';
import { moveModule } from '@/core/machine/slots/move-module';
import { twinText } from '@/core/market/offer-wish';
import { capacityText } from '@/core/memory/capacity';
import { GENERATIONS, type Generation } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { shortMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { FactsList } from './facts-list';
import { moduleOfLabel } from './module-of-label';

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
  part: string;
  serial: string;
  keep: JobSlot['keep'];
  credit: string;
  blocked: boolean;
}

const numberText = (value: number | null | undefined): string => (value == null ? '' : String(value));

function moduleTyped(module: KnownModule | null) {
  return {
    capacity: module?.capacityMiB == null ? '' : capacityText(module.capacityMiB),
    rate: numberText(module?.rateMTs),
    cl: numberText(module?.casLatency),
    ranks: numberText(module?.ranks),
    generation: module?.generation ?? '',
    form: module?.form ?? '',
    part: module?.part ?? '',
    serial: module?.serial ?? '',
  };
}

function typedOf({ channel, bank, maxMiB, module, keep, creditCents, blocked }: JobSlot, currency: string): Typed {
  return {
    channel,
    bank: String(bank),
    largest: maxMiB === null ? '' : capacityText(maxMiB),
    ...moduleTyped(module),
    keep,
    credit: creditCents === 0 ? '' : shortMoney(creditCents, currency),
    blocked: blocked === true,
  };
}

const wholeOrNull = (text: string): number | null | undefined => {
  if (text.trim() === '') return null;
  return /^\d{1,6}$/.test(text.trim()) && Number(text) > 0 ? Number(text) : undefined;
};

type Errors = Partial<Record<keyof Typed, string>>;

/**
 * The slot that was typed, or what is wrong with it. An empty capacity means an empty slot.
 *
 * @param base what is known of the module beside the fields: what is in the slot, or the label that was pasted
 */
function slotOf(
  slot: JobSlot,
  typed: Typed,
  base: KnownModule | null,
  currency: string,
): { slot: JobSlot } | { errors: Errors } {
  const errors: Errors = {};
  const capacityMiB = typed.capacity.trim() === '' ? null : parseCapacity(typed.capacity);
  if (typed.capacity.trim() !== '' && capacityMiB === null) errors.capacity = 'Type a size such as 8 GB.';
  if (slot.soldered && capacityMiB === null) errors.capacity = 'Soldered memory has a size: type it.';
  const numbers = { rate: wholeOrNull(typed.rate), cl: wholeOrNull(typed.cl), ranks: wholeOrNull(typed.ranks) };
  if (numbers.rate === undefined) errors.rate = 'Type the MT/s, such as 2400.';
  if (numbers.cl === undefined) errors.cl = 'A whole number, such as 17.';
  if (numbers.ranks === undefined) errors.ranks = 'A whole number, such as 1.';
  const creditCents = typed.credit.trim() === '' ? 0 : parseMoneyIn(typed.credit, currency);
  if (creditCents === null || creditCents < 0) errors.credit = 'An amount of 0 or more.';
  const channel = typed.channel.trim();
  if (channel === '') errors.channel = 'Type its channel, such as A.';
  if (!/^\d{1,2}$/.test(typed.bank.trim())) errors.bank = 'A whole number, such as 1.';
  const maxMiB = typed.largest.trim() === '' ? null : parseCapacity(typed.largest);
  if (typed.largest.trim() !== '' && maxMiB === null) errors.largest = 'Type a size such as 16 GB.';
  if (typed.blocked && capacityMiB !== null) errors.capacity = 'A blocked socket holds no module.';
  if (Object.keys(errors).length > 0) return { errors };
  const known: KnownModule = {
    ...(base ?? NOTHING_KNOWN),
    capacityMiB,
    rateMTs: numbers.rate ?? null,
    casLatency: numbers.cl ?? null,
    ranks: numbers.ranks ?? null,
    generation: typed.generation === '' ? null : (typed.generation as Generation),
    form: typed.form === '' ? null : typed.form,
    part: typed.part.trim() === '' ? null : typed.part.trim(),
    ...(typed.serial.trim() === '' && base?.serial == null ? {} : { serial: typed.serial.trim() || null }),
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
      blocked: typed.blocked,
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
  const facts = job.slotFacts[name];
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(slot === undefined ? null : typedOf(slot, job.currency));
  const [base, setBase] = useState(slot?.module ?? null);
  const [label, setLabel] = useState('');
  const [errors, setErrors] = useState<Errors>({});
  if (slot === undefined || typed === null) return null;
  const set = (field: keyof Typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const put = async (slots: JobSlot[]) => {
    const result = await save('PUT', `/api/jobs/${job.id}/slots`, { version: job.slotsVersion, slots });
    if (result.ok) onClose();
  };
  const submit = () => {
    const made = slotOf(slot, typed, base, job.currency);
    if ('errors' in made) setErrors(made.errors);
    else void put(job.slots.map((one) => (one.name === name ? made.slot : one)));
  };
  const readLabel = (text: string) => {
    setLabel(text);
    const read = moduleOfLabel(text);
    if (read === null) return;
    setBase(read.module);
    setTyped({ ...typed, ...moduleTyped(read.module) });
  };
  const move = (to: string) => {
    const moved = moveModule(job.slots, name, to);
    if (moved.ok) void put(moved.slots);
    else setErrors({ capacity: moved.sentence });
  };
  const others = job.slots.filter((one) => one.name !== name && !one.soldered && one.blocked !== true);
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
          label="Its label, typed or pasted"
          className="col-span-2"
          placeholder="8GB 2Rx8 PC4-2666V-UB1-11"
          value={label}
          data-scan="text"
          onChange={(event) => readLabel(event.target.value)}
          {...(label.trim() === ''
            ? {}
            : { hint: moduleOfLabel(label)?.line ?? 'Not understood as a module’s label yet.' })}
        />
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
        <Field label="Part number" maxLength={200} value={typed.part} onChange={set('part')} data-scan="part" />
        <Field label="Serial number" maxLength={200} value={typed.serial} onChange={set('serial')} data-scan="serial" />
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
                { value: 'never', text: 'must go' },
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
            {slot.module !== null && others.length > 0 ? (
              <Choice
                label="Move it to"
                value=""
                onChange={(event) => move(event.target.value)}
                options={[
                  { value: '', text: 'stays in this slot' },
                  ...others.map((one) => ({
                    value: one.name,
                    text: one.module === null ? one.name : `${one.name}, in exchange`,
                  })),
                ]}
              />
            ) : (
              <Check
                checked={typed.blocked}
                onChange={(blocked) => setTyped({ ...typed, blocked })}
                className="min-h-9 self-end"
              >
                blocked: broken or covered
              </Check>
            )}
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
      {slot.module !== null && (
        <p className="mt-3 border-t border-line pt-2 text-sm">
          <Link
            href={`/offers?find=${encodeURIComponent(twinText(slot.module))}`}
            className="underline underline-offset-2"
          >
            Find its twin among the offers
          </Link>
        </p>
      )}
      {facts !== undefined && slot.module !== null && (
        <details className="mt-3 border-t border-line pt-2">
          <summary className="cursor-pointer text-sm font-semibold">Who says what</summary>
          <div className="mt-1.5">
            <FactsList facts={facts} />
          </div>
        </details>
      )}
    </Sheet>
  );
}
