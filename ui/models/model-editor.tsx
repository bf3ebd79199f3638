'use client';
import type { ComponentProps } from 'react';
import { useFormContext } from 'react-hook-form';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { ChoiceField, TextAreaField, TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';
import type { ModelFields } from './model-fields';
import { readTypedModel, type TypedModel, typedModel } from './model-lines';

/** A list that is typed a line an entry: it grows with what is in it. */
function Lines({ rows = 2, ...area }: ComponentProps<typeof TextAreaField>) {
  const text = useFormContext<Record<string, string>>().watch(area.name) ?? '';
  return <TextAreaField {...area} rows={Math.min(8, Math.max(rows, text.split('\n').length))} spellCheck={false} />;
}

interface ModelEditorProps {
  id: number;
  fields: ModelFields;
  onClose: () => void;
}

/** The sheet on which a model's names, CPUs and configurations are typed; lists are lines, so that they can be pasted. */
export function ModelEditor({ id, fields, onClose }: ModelEditorProps) {
  const t = useTranslations('models');
  const { save } = useSave();
  const typing = useTyped<TypedModel, Record<string, unknown>>({
    from: typedModel(fields),
    read: (typed) => readTypedModel(t, typed),
    send: async (body) => {
      const result = await save('PATCH', `/api/models/${id}`, body);
      if (result.ok) onClose();
      return result;
    },
  });
  return (
    <Sheet open wide title={`${fields.maker} ${fields.name}`} description={t('edit.what')} onClose={onClose}>
      <Form typing={typing} className="grid grid-cols-6 gap-x-3 gap-y-2" action={t('save')} onLeave={onClose}>
        <TextField name="maker" label={t('maker')} className="col-span-2" autoFocus />
        <TextField name="name" label={t('model')} className="col-span-2" />
        <TextField name="family" label={t('edit.family')} className="col-span-2" />
        <ChoiceField
          name="kind"
          label={t('edit.kind')}
          className="col-span-2"
          options={[
            { value: 'machine', text: t('edit.machine') },
            { value: 'board', text: t('edit.board') },
          ]}
        />
        <TextField name="yearFrom" label={t('edit.since')} inputMode="numeric" />
        <TextField name="yearTo" label={t('edit.until')} inputMode="numeric" />
        <TextField name="factoryMost" label={t('edit.factoryMax')} className="col-span-2" />
        <Lines name="modelIds" label={t('names.numbers')} className="col-span-3" />
        <Lines name="productStrings" label={t('names.reports')} className="col-span-3" />
        <Lines name="boardIds" label={t('names.boards')} className="col-span-2" rows={1} />
        <Lines name="serialPrefixes" label={t('names.serials')} className="col-span-2" rows={1} />
        <Lines name="firmware" label={t('names.firmware')} className="col-span-2" rows={1} />
        <Lines name="cpus" label="CPUs" className="col-span-6" hint="Merle 4300 (64 GB, 2400 MT/s)" />
        <Lines name="factory" label={t('edit.soldWith')} className="col-span-3" hint={t('edit.soldWithHint')} />
        <Lines name="note" label={t('note')} className="col-span-3" />
      </Form>
    </Sheet>
  );
}
