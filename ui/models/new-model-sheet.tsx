'use client';
import { useRouter } from 'next/navigation';
import { useController, useFormContext } from 'react-hook-form';
import { TEMPLATES, type TemplateName } from '@/core/machine/models/templates';
import type { Generation } from '@/core/memory/generation';
import { useSave } from '../client/use-save';
import { Fault } from '../kit/fault';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';
import { type PastedSpecification, SpecificationPicker } from '../limits/specification-picker';
import { ModelPicker } from '../offers/model-picker';
import { type NewModelTyped, NO_MODEL, readNewModel, SAID_BY, TEMPLATE_OPTIONS } from './new-model-typed';
import { SlotGlyphs } from './slot-glyphs';

/** A model made by hand: of a usual board, as a copy of a sister, or of a specification. */
export function NewModelSheet({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const { save } = useSave();
  const typing = useTyped<NewModelTyped, object>({
    from: NO_MODEL,
    read: readNewModel,
    send: async (model) => {
      const result = await save<{ id: number }>('POST', '/api/models', model);
      if (result.ok) router.push(`/models/${result.value.id}`);
      return result;
    },
  });
  const kind = typing.form.watch('kind');
  return (
    <Sheet
      open
      wide
      title="Add a model"
      description="Start from a usual board, a sister or a specification, then correct slots and limits on its page. A machine on a job is added at its Intake."
      onClose={onClose}
    >
      <Form typing={typing} className="grid grid-cols-6 gap-x-3 gap-y-2 items-start" action="Add" onLeave={onClose}>
        <TextField name="maker" label="Maker" className="col-span-2" maxLength={80} autoFocus />
        <TextField name="name" label="Model" className="col-span-3" maxLength={120} />
        <TextField name="year" label="Since" inputMode="numeric" maxLength={4} />
        <ChoiceField
          name="kind"
          label="Start from"
          className="col-span-2"
          options={[
            { value: 'template', text: 'a usual board' },
            { value: 'copy', text: 'a copy of a sister' },
            { value: 'specification', text: 'a specification' },
          ]}
        />
        {kind === 'template' && <TemplateFields />}
        {kind === 'copy' && <SisterField />}
        {kind === 'specification' ? <SpecificationField /> : <LimitFields />}
      </Form>
    </Sheet>
  );
}

/** A usual board, and the generation of it. */
function TemplateFields() {
  const { watch, setValue } = useFormContext<NewModelTyped>();
  const [template, generation] = watch(['template', 'generation']);
  const shape = TEMPLATES[template];
  const generations: readonly Generation[] = shape.generations;
  const chosen = (next: string) => {
    const offered: readonly Generation[] = TEMPLATES[next as TemplateName].generations;
    if (!offered.includes(generation)) setValue('generation', offered.at(-1) ?? 'DDR4');
  };
  return (
    <>
      <ChoiceField name="template" label="Board" className="col-span-3" options={TEMPLATE_OPTIONS} onChoose={chosen} />
      <ChoiceField
        name="generation"
        label="Generation"
        options={generations.map((one) => ({ value: one, text: one }))}
      />
      <div className="col-span-6 flex items-center gap-3 text-sm text-ink-2">
        <SlotGlyphs sockets={shape.channels * shape.perChannel} soldered={0} />
        {shape.channels * shape.perChannel} slots in {shape.channels} {shape.channels === 1 ? 'channel' : 'channels'},{' '}
        {shape.form}. Marked as usual, not as the maker’s word.
      </div>
    </>
  );
}

/** The model that this one is a sister of. */
function SisterField() {
  const { field, fieldState } = useController<NewModelTyped, 'sister'>({ name: 'sister' });
  return (
    <div className="col-span-4">
      <ModelPicker
        label="Sister"
        models={field.value}
        error={fieldState.error?.message ?? null}
        onChange={(next) => field.onChange(next.slice(-1))}
      />
    </div>
  );
}

/** A specification that is pasted: what it calls the machine stands in the fields where nobody typed anything. */
function SpecificationField() {
  const { getValues, setValue } = useFormContext<NewModelTyped>();
  const { field, fieldState } = useController<NewModelTyped, 'pasted'>({ name: 'pasted' });
  const take = (pasted: PastedSpecification | null) => {
    field.onChange(pasted);
    const name = pasted?.reading.name ?? null;
    if (name === null) return;
    if (getValues('maker') === '') setValue('maker', name.maker ?? '');
    if (getValues('name') === '') setValue('name', name.model);
  };
  return (
    <div className="col-span-6 grid gap-2">
      <SpecificationPicker pasted={field.value} onChange={take} />
      <Fault sentence={fieldState.error?.message ?? null} />
    </div>
  );
}

/** The largest module and total, with who says so. */
function LimitFields() {
  return (
    <>
      <TextField name="module" label="Largest module" className="col-span-2" placeholder="not known" />
      <TextField name="total" label="Maximum total" className="col-span-2" placeholder="not known" />
      <ChoiceField name="saidBy" label="Who says that" className="col-span-2" options={SAID_BY} />
    </>
  );
}
