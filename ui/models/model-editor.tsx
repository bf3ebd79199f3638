'use client';
import type { ComponentProps } from 'react';
import { useFormContext } from 'react-hook-form';
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
  const { save } = useSave();
  const typing = useTyped<TypedModel, Record<string, unknown>>({
    from: typedModel(fields),
    read: readTypedModel,
    send: async (body) => {
      const result = await save('PATCH', `/api/models/${id}`, body);
      if (result.ok) onClose();
      return result;
    },
  });
  return (
    <Sheet
      open
      wide
      title={`${fields.maker} ${fields.name}`}
      description="Lists are a line an entry."
      onClose={onClose}
    >
      <Form typing={typing} className="grid grid-cols-6 gap-x-3 gap-y-2" action="Save" onLeave={onClose}>
        <TextField name="maker" label="Maker" className="col-span-2" autoFocus />
        <TextField name="name" label="Model" className="col-span-2" />
        <TextField name="family" label="Family" className="col-span-2" />
        <ChoiceField
          name="kind"
          label="It is"
          className="col-span-2"
          options={[
            { value: 'machine', text: 'a whole machine' },
            { value: 'board', text: 'a bare board' },
          ]}
        />
        <TextField name="yearFrom" label="Since" inputMode="numeric" />
        <TextField name="yearTo" label="Until" inputMode="numeric" />
        <TextField name="factoryMost" label="Maker’s own maximum" className="col-span-2" />
        <Lines name="modelIds" label="Model numbers" className="col-span-3" />
        <Lines name="productStrings" label="Reports call it" className="col-span-3" />
        <Lines name="boardIds" label="Boards" className="col-span-2" rows={1} />
        <Lines name="serialPrefixes" label="Serials begin" className="col-span-2" rows={1} />
        <Lines name="firmware" label="Firmware seen" className="col-span-2" rows={1} />
        <Lines name="cpus" label="CPUs" className="col-span-6" hint="Merle 4300 (64 GB, 2400 MT/s)" />
        <Lines name="factory" label="Sold with" className="col-span-3" hint="16 GB | 140.00 | base model it needs" />
        <Lines name="note" label="Note" className="col-span-3" />
      </Form>
    </Sheet>
  );
}
