'use client';
import { type ChangeEvent, useId, useState } from 'react';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { Sheet } from '../kit/sheet';
import type { ModelFields } from './model-fields';
import { fieldsOf, type TypedModel, typedModel } from './model-lines';

interface LinesProps {
  label: string;
  hint?: string;
  rows?: number;
  className?: string;
  value: string;
  onChange: (event: ChangeEvent<HTMLTextAreaElement>) => void;
}

/** A list that is typed a line an entry. */
function Lines({ label, hint, rows = 2, className = '', value, onChange }: LinesProps) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
        {label}
      </label>
      <textarea
        id={id}
        rows={Math.min(8, Math.max(rows, value.split('\n').length))}
        className={INPUT_LOOK}
        value={value}
        onChange={onChange}
        spellCheck={false}
        aria-describedby={hint === undefined ? undefined : `${id}-hint`}
      />
      {hint !== undefined && (
        <p id={`${id}-hint`} className="text-sm text-ink-2">
          {hint}
        </p>
      )}
    </div>
  );
}

interface ModelEditorProps {
  id: number;
  fields: ModelFields;
  onClose: () => void;
}

/** The sheet on which a model's names, CPUs and configurations are typed; lists are lines, so that they can be pasted. */
export function ModelEditor({ id, fields, onClose }: ModelEditorProps) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(() => typedModel(fields));
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (field: keyof TypedModel) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const submit = async () => {
    const made = fieldsOf(typed);
    setWrong(made.ok ? null : made.sentence);
    if (!made.ok) return;
    const result = await save('PATCH', `/api/models/${id}`, made.fields);
    if (result.ok) onClose();
  };
  const lines = (field: keyof TypedModel) => ({ value: typed[field], onChange: set(field) });
  return (
    <Sheet
      open
      wide
      title={`${fields.maker} ${fields.name}`}
      description="Lists are a line an entry."
      onClose={onClose}
    >
      <form
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Field label="Maker" className="col-span-2" value={typed.maker} onChange={set('maker')} autoFocus />
        <Field label="Model" className="col-span-2" value={typed.name} onChange={set('name')} />
        <Field label="Family" className="col-span-2" value={typed.family} onChange={set('family')} />
        <Choice
          label="It is"
          className="col-span-2"
          value={typed.kind}
          onChange={set('kind')}
          options={[
            { value: 'machine', text: 'a whole machine' },
            { value: 'board', text: 'a bare board' },
          ]}
        />
        <Field label="Since" inputMode="numeric" value={typed.yearFrom} onChange={set('yearFrom')} />
        <Field label="Until" inputMode="numeric" value={typed.yearTo} onChange={set('yearTo')} />
        <Field
          label="Maker’s own maximum"
          className="col-span-2"
          value={typed.factoryMost}
          onChange={set('factoryMost')}
        />
        <Lines label="Model numbers" className="col-span-3" {...lines('modelIds')} />
        <Lines label="Reports call it" className="col-span-3" {...lines('productStrings')} />
        <Lines label="Boards" className="col-span-2" rows={1} {...lines('boardIds')} />
        <Lines label="Serials begin" className="col-span-2" rows={1} {...lines('serialPrefixes')} />
        <Lines label="Firmware seen" className="col-span-2" rows={1} {...lines('firmware')} />
        <Lines label="CPUs" className="col-span-6" hint="Merle 4300 (64 GB, 2400 MT/s)" {...lines('cpus')} />
        <Lines
          label="Sold with"
          className="col-span-3"
          hint="16 GB | 140.00 | base model it needs"
          {...lines('factory')}
        />
        <Lines label="Note" className="col-span-3" {...lines('note')} />
        <div className="col-span-6">
          <Fault sentence={wrong ?? sentence} />
        </div>
        <div className="col-span-6 flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Save
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
