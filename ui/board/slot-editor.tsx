'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import { moveModule } from '@/core/machine/slots/move-module';
import { twinText } from '@/core/market/offer-wish';
import { GENERATIONS } from '@/core/memory/generation';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';
import { CheckField, ChoiceField, TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';
import { FactsList } from './facts-list';
import { moduleOfLabel } from './module-of-label';
import { moduleTyped, readSlot, type TypedSlot, typedSlot } from './slot-typed';

interface SlotEditorProps {
  name: string;
  onClose: () => void;
}

/** The sheet on which one slot is typed: what is in it, and what may become of that. */
export function SlotEditor({ name, onClose }: SlotEditorProps) {
  const { job } = useJob();
  const slot = job.slots.find((one) => one.name === name);
  const facts = job.slotFacts[name];
  if (slot === undefined) return null;
  return (
    <Sheet
      open
      title={`Slot ${name}`}
      description={
        slot.soldered ? 'Soldered: it cannot be taken out.' : 'What is in it, where it is, and what may become of it.'
      }
      onClose={onClose}
    >
      <SlotForm slot={slot} onClose={onClose} />
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

function SlotForm({ slot, onClose }: { slot: JobSlot; onClose: () => void }) {
  const { job } = useJob();
  const { save } = useSave();
  const [base, setBase] = useState(slot.module);
  const [label, setLabel] = useState('');
  const put = async (slots: readonly JobSlot[]) => {
    const result = await save('PUT', `/api/jobs/${job.id}/slots`, { version: job.slotsVersion, slots });
    if (result.ok) onClose();
    return result;
  };
  const typing = useTyped<TypedSlot, JobSlot>({
    from: typedSlot(slot, job.currency),
    read: (typed) => readSlot(slot, typed, base, job.currency),
    send: (made) => put(job.slots.map((one) => (one.name === slot.name ? made : one))),
  });
  const readLabel = (text: string) => {
    setLabel(text);
    const read = moduleOfLabel(text);
    if (read === null) return;
    setBase(read.module);
    for (const [field, value] of Object.entries(moduleTyped(read.module)))
      typing.form.setValue(field as keyof TypedSlot, value, { shouldDirty: true });
  };
  const move = (to: string) =>
    typing.act(async () => {
      const moved = moveModule(job.slots, slot.name, to);
      return moved.ok ? put(moved.slots) : { ok: false, code: 'bad-input', at: 'capacity', sentence: moved.sentence };
    });
  return (
    <Form
      typing={typing}
      className="grid grid-cols-2 gap-3"
      action="Save the slot"
      leave="Leave it as it is"
      onLeave={onClose}
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
      <ModuleFields />
      <PlaceFields />
      {!slot.soldered && <FateFields slot={slot} onMove={(to) => void move(to)} />}
    </Form>
  );
}

const ANY = { value: '', text: 'not known' };

/** What is in the slot. */
function ModuleFields() {
  return (
    <>
      <TextField name="capacity" label="Capacity" placeholder="empty" autoFocus />
      <TextField name="rate" label="Rate" unit="MT/s" inputMode="numeric" />
      <TextField name="cl" label="CL" inputMode="numeric" />
      <TextField name="ranks" label="Ranks" inputMode="numeric" />
      <ChoiceField
        name="generation"
        label="Generation"
        options={[ANY, ...GENERATIONS.map((one) => ({ value: one, text: one }))]}
      />
      <ChoiceField
        name="form"
        label="Form"
        options={[ANY, { value: 'DIMM', text: 'DIMM' }, { value: 'SO-DIMM', text: 'SO-DIMM' }]}
      />
      <TextField name="part" label="Part number" maxLength={200} data-scan="part" />
      <TextField name="serial" label="Serial number" maxLength={200} data-scan="serial" />
    </>
  );
}

/** Where the slot is on the board. */
function PlaceFields() {
  return (
    <div className="col-span-2 grid grid-cols-3 gap-3 border-t border-line pt-2">
      <TextField name="channel" label="Channel" />
      <TextField name="bank" label="Bank" inputMode="numeric" />
      <TextField name="largest" label="Largest module" placeholder="as the board" />
    </div>
  );
}

/** What may become of what is in it. */
function FateFields({ slot, onMove }: { slot: JobSlot; onMove: (to: string) => void }) {
  const { job } = useJob();
  const others = job.slots.filter((one) => one.name !== slot.name && !one.soldered && one.blocked !== true);
  return (
    <>
      <ChoiceField
        name="keep"
        label="This module"
        options={[
          { value: 'may', text: 'may stay or go' },
          { value: 'must', text: 'must stay' },
          { value: 'never', text: 'must go' },
        ]}
      />
      <TextField name="credit" label="Credit if it comes out" inputMode="decimal" unit={job.currency} placeholder="0" />
      {slot.module !== null && others.length > 0 ? (
        <Choice
          label="Move it to"
          value=""
          onChange={(event) => onMove(event.target.value)}
          options={[
            { value: '', text: 'stays in this slot' },
            ...others.map((one) => ({
              value: one.name,
              text: one.module === null ? one.name : `${one.name}, in exchange`,
            })),
          ]}
        />
      ) : (
        <CheckField name="blocked" className="min-h-9 self-end">
          blocked: broken or covered
        </CheckField>
      )}
    </>
  );
}
