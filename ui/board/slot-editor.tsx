'use client';
import Link from 'next/link';
import { useState } from 'react';
import { useTranslations } from '#translations';
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
import { notMovedText } from './not-moved-text';
import { moduleTyped, readSlot, type TypedSlot, typedSlot } from './slot-typed';

interface SlotEditorProps {
  name: string;
  onClose: () => void;
}

/** The sheet on which one slot is typed: what is in it, and what may become of that. */
export function SlotEditor({ name, onClose }: SlotEditorProps) {
  const t = useTranslations('board');
  const { job } = useJob();
  const slot = job.slots.find((one) => one.name === name);
  const facts = job.slotFacts[name];
  if (slot === undefined) return null;
  return (
    <Sheet open title={t('slot', { name })} description={slot.soldered ? t('soldered') : t('what')} onClose={onClose}>
      <SlotForm slot={slot} onClose={onClose} />
      {slot.module !== null && (
        <p className="mt-3 border-t border-line pt-2 text-sm">
          <Link
            href={`/offers?find=${encodeURIComponent(twinText(slot.module))}`}
            className="underline underline-offset-2"
          >
            {t('findMatching')}
          </Link>
        </p>
      )}
      {facts !== undefined && slot.module !== null && (
        <details className="mt-3 border-t border-line pt-2">
          <summary className="cursor-pointer text-sm font-semibold">{t('sources')}</summary>
          <div className="mt-1.5">
            <FactsList facts={facts} />
          </div>
        </details>
      )}
    </Sheet>
  );
}

function SlotForm({ slot, onClose }: { slot: JobSlot; onClose: () => void }) {
  const t = useTranslations('board');
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
    read: (typed) => readSlot(t, slot, typed, base, job.currency),
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
      return moved.ok
        ? put(moved.slots)
        : { ok: false, code: 'bad-input', at: 'capacity', sentence: notMovedText(t, moved) };
    });
  return (
    <Form typing={typing} className="grid grid-cols-2 gap-3" action={t('save')} leave={t('cancel')} onLeave={onClose}>
      <Field
        label={t('label')}
        className="col-span-2"
        placeholder="8GB 2Rx8 PC4-2666V-UB1-11"
        value={label}
        data-scan="text"
        onChange={(event) => readLabel(event.target.value)}
        {...(label.trim() === '' ? {} : { hint: moduleOfLabel(label)?.line ?? t('notUnderstood') })}
      />
      <ModuleFields />
      <PlaceFields />
      {!slot.soldered && <FateFields slot={slot} onMove={(to) => void move(to)} />}
    </Form>
  );
}

/** What is in the slot. */
function ModuleFields() {
  const t = useTranslations('board');
  return (
    <>
      <TextField name="capacity" label={t('capacity')} placeholder={t('empty')} autoFocus />
      <TextField name="rate" label={t('rate')} unit="MT/s" inputMode="numeric" />
      <TextField name="cl" label="CL" inputMode="numeric" />
      <TextField name="ranks" label={t('ranks')} inputMode="numeric" />
      <ChoiceField
        name="generation"
        label={t('generation')}
        options={[{ value: '', text: t('notKnown') }, ...GENERATIONS.map((one) => ({ value: one, text: one }))]}
      />
      <ChoiceField
        name="form"
        label={t('form')}
        options={[
          { value: '', text: t('notKnown') },
          { value: 'DIMM', text: 'DIMM' },
          { value: 'SO-DIMM', text: 'SO-DIMM' },
        ]}
      />
      <TextField name="part" label={t('part')} maxLength={200} data-scan="part" />
      <TextField name="serial" label={t('serial')} maxLength={200} data-scan="serial" />
    </>
  );
}

/** Where the slot is on the board. */
function PlaceFields() {
  const t = useTranslations('board');
  return (
    <div className="col-span-2 grid grid-cols-3 gap-3 border-t border-line pt-2">
      <TextField name="channel" label={t('channelLabel')} />
      <TextField name="bank" label={t('bank')} inputMode="numeric" />
      <TextField name="largest" label={t('largest')} placeholder={t('asBoard')} />
    </div>
  );
}

/** What may become of what is in it. */
function FateFields({ slot, onMove }: { slot: JobSlot; onMove: (to: string) => void }) {
  const t = useTranslations('board');
  const { job } = useJob();
  const others = job.slots.filter((one) => one.name !== slot.name && !one.soldered && one.blocked !== true);
  return (
    <>
      <ChoiceField
        name="keep"
        label={t('keep')}
        options={[
          { value: 'may', text: t('keeps.may') },
          { value: 'must', text: t('keeps.must') },
          { value: 'never', text: t('keeps.never') },
        ]}
      />
      <TextField name="credit" label={t('credit')} inputMode="decimal" unit={job.currency} placeholder="0" />
      {slot.module !== null && others.length > 0 ? (
        <Choice
          label={t('move')}
          value=""
          onChange={(event) => onMove(event.target.value)}
          options={[
            { value: '', text: t('stays') },
            ...others.map((one) => ({
              value: one.name,
              text: one.module === null ? one.name : t('exchange', { name: one.name }),
            })),
          ]}
        />
      ) : (
        <CheckField name="blocked" className="min-h-9 self-end">
          {t('blocked')}
        </CheckField>
      )}
    </>
  );
}
