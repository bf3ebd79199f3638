'use client';
import { DEPTHS, OUTCOMES } from '@/core/machine/limits/evidence';
import { GENERATIONS } from '@/core/memory/generation';
import { BUFFERINGS } from '@/core/memory/module';
import { useSave } from '../../client/use-save';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import { newTrial, readTrial } from './trial-typed';
import { DEPTH_WORDS, OUTCOME_WORDS } from './trial-words';

interface TrialEditorProps {
  model: { id: number; name: string };
  start: { generation: string; slots: readonly string[]; cpu: string };
  onClose: () => void;
}

const today = (): string => new Date().toISOString().slice(0, 10);

const worded = <T extends string>(values: readonly T[], words: Record<T, string>) =>
  values.map((value) => ({ value, text: words[value] }));
const plain = (values: readonly string[]) => values.map((value) => ({ value, text: value }));

/** The sheet on which a trial is recorded. */
export function TrialEditor({ model, start, onClose }: TrialEditorProps) {
  const { save } = useSave();
  const typing = useTyped({
    from: newTrial(start, today()),
    read: readTrial,
    send: async (trial) => {
      const result = await save('POST', `/api/models/${model.id}/trials`, trial);
      if (result.ok) onClose();
      return result;
    },
  });
  return (
    <Sheet
      open
      wide
      title="Record a trial"
      description={`What was tried in a ${model.name}, as it was seen. It lifts a limit only from “total read” on.`}
      onClose={onClose}
    >
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        action="Record it"
        leave="Leave it"
        onLeave={onClose}
      >
        <TextField name="modules" label="Modules" inputMode="numeric" className="col-span-1" autoFocus />
        <TextField name="size" label="of" className="col-span-2" placeholder="16 GB" />
        <TextField
          name="total"
          label="Total in the machine"
          className="col-span-3"
          placeholder="as the modules add up"
        />
        <ChoiceField name="generation" label="Generation" className="col-span-2" options={plain(GENERATIONS)} />
        <ChoiceField name="buffering" label="Buffering" className="col-span-2" options={plain(BUFFERINGS)} />
        <ChoiceField name="ecc" label="ECC" className="col-span-1" options={plain(['no', 'yes'])} />
        <TextField name="rate" label="Rate" className="col-span-1" inputMode="numeric" placeholder="MT/s" />
        <ChoiceField
          name="outcome"
          label="What happened"
          className="col-span-3"
          options={worded(OUTCOMES, OUTCOME_WORDS)}
        />
        <ChoiceField
          name="depth"
          label="How deep it was tried"
          className="col-span-3"
          options={worded(DEPTHS, DEPTH_WORDS)}
        />
        <TextField
          name="slots"
          label="In slots"
          className="col-span-2"
          placeholder={start.slots.slice(0, 2).join(' ')}
        />
        <TextField name="firmware" label="Firmware" className="col-span-2" />
        <TextField name="cpu" label="CPU" className="col-span-2" />
        <TextField name="on" label="Day" type="date" className="col-span-2" />
        <TextField name="note" label="Note" className="col-span-4" maxLength={500} />
      </Form>
    </Sheet>
  );
}
