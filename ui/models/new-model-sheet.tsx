'use client';
import { useRouter } from 'next/navigation';
import { useController, useFormContext } from 'react-hook-form';
import { useTranslations } from '#translations';
import { TEMPLATES, type TemplateName } from '@/core/machine/models/templates';
import type { Generation } from '@/core/memory/generation';
import { worded } from '@/ui/words/worded';
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
  const t = useTranslations('models');
  const router = useRouter();
  const { save } = useSave();
  const typing = useTyped<NewModelTyped, object>({
    from: NO_MODEL,
    read: (typed) => readNewModel(t, typed),
    send: async (model) => {
      const result = await save<{ id: number }>('POST', '/api/models', model);
      if (result.ok) router.push(`/models/${result.value.id}`);
      return result;
    },
  });
  const kind = typing.form.watch('kind');
  return (
    <Sheet open wide title={t('new.title')} description={t('new.what')} onClose={onClose}>
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2 items-start"
        action={t('add')}
        onLeave={onClose}
      >
        <TextField name="maker" label={t('maker')} className="col-span-2" maxLength={80} autoFocus />
        <TextField name="name" label={t('model')} className="col-span-3" maxLength={120} />
        <TextField name="year" label={t('new.year')} inputMode="numeric" maxLength={4} />
        <ChoiceField
          name="kind"
          label={t('new.from')}
          className="col-span-2"
          options={[
            { value: 'template', text: t('new.usual') },
            { value: 'copy', text: t('new.sister') },
            { value: 'specification', text: t('new.specification') },
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
  const t = useTranslations('models');
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
      <ChoiceField
        name="template"
        label={t('new.board')}
        className="col-span-3"
        options={TEMPLATE_OPTIONS}
        onChoose={chosen}
      />
      <ChoiceField
        name="generation"
        label={t('new.generation')}
        options={generations.map((one) => ({ value: one, text: one }))}
      />
      <div className="col-span-6 flex items-center gap-3 text-sm text-ink-2">
        {t.rich('new.shape', {
          e0: () => <SlotGlyphs sockets={shape.channels * shape.perChannel} soldered={0} />,
          perChannel: shape.channels * shape.perChannel,
          channels: shape.channels,
          form: shape.form,
        })}
      </div>
    </>
  );
}

/** The model that this one is a sister of. */
function SisterField() {
  const t = useTranslations('models');
  const { field, fieldState } = useController<NewModelTyped, 'sister'>({ name: 'sister' });
  return (
    <div className="col-span-4">
      <ModelPicker
        label={t('new.sisterLabel')}
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
  const t = useTranslations('models');
  return (
    <>
      <TextField name="module" label={t('slot.largest')} className="col-span-2" placeholder={t('notKnown')} />
      <TextField name="total" label={t('new.total')} className="col-span-2" placeholder={t('notKnown')} />
      <ChoiceField name="saidBy" label={t('new.source')} className="col-span-2" options={worded(t, SAID_BY)} />
    </>
  );
}
