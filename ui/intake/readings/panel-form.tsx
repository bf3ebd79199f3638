'use client';
import { type FormEvent, useState } from 'react';
import type { PanelAsks } from '@/core/machine/panel-asks';
import { EDGE_GENERATIONS } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { Button } from '../../kit/button';
import { Choice } from '../../kit/choice';
import { Fault } from '../../kit/fault';
import { Field } from '../../kit/field';
import { textFile } from './reading-inputs';

interface PanelFormProps {
  asks: PanelAsks;
  busy: boolean;
  onTyped: (file: File) => Promise<boolean>;
  onClose: () => void;
}

const NOTHING = { total: '', generation: '', rate: '', used: '', slots: '', form: '' };
const WHOLE = /^\d{1,2}$/;

/** What a person reads off a system's own screen, as the text that the screen would be copied as. */
export function panelText({ total, generation, rate, used, slots, form }: typeof NOTHING): string {
  const head = [total.trim() === '' ? '' : `${total.trim()}${/[a-z]/i.test(total) ? '' : ' GB'}`, generation];
  return [
    `Memory\t${head.filter((word) => word !== '').join(' ')}`,
    ...(rate.trim() === '' ? [] : [`Speed:\t${rate.trim()} MT/s`]),
    `Slots used:\t${used.trim()} of ${slots.trim()}`,
    ...(form === '' ? [] : [`Form factor:\t${form}`]),
  ].join('\n');
}

function faultOf({ total, rate, used, slots }: typeof NOTHING): string | null {
  if (total.trim() !== '' && parseCapacity(total) === null)
    return 'Enter the memory as the screen shows it, such as 16 GB.';
  if (rate.trim() !== '' && !/^\d{2,5}$/.test(rate.trim())) return 'Enter the speed as a number, such as 2667.';
  if (!WHOLE.test(used.trim()) || !WHOLE.test(slots.trim()))
    return 'Enter how many slots are used, and how many there are.';
  if (Number(used) > Number(slots) || Number(slots) < 1) return 'No more slots are used than there are.';
  if (Number(slots) > 64) return 'A machine has at most 64 slots.';
  return total.trim() === '' && rate.trim() === '' ? 'Enter the memory or the speed as well.' : null;
}

/** What a system's screen shows of its memory, typed: total, speed, slots used of slots, form. */
export function PanelForm({ asks, busy, onTyped, onClose }: PanelFormProps) {
  const [typed, setTyped] = useState(NOTHING);
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (key: keyof typeof NOTHING) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const fault = faultOf(typed);
    setWrong(fault);
    if (fault === null && (await onTyped(textFile('typed from the screen', panelText(typed))))) onClose();
  };
  return (
    <form
      aria-label="What the screen shows"
      onSubmit={submit}
      noValidate
      className="mt-2 border-t border-line pt-2 grid grid-cols-[repeat(auto-fit,minmax(8.5rem,1fr))] gap-x-3 gap-y-2 items-end"
    >
      {asks.total && (
        <Field
          label="Memory"
          placeholder="16 GB"
          maxLength={12}
          value={typed.total}
          onChange={set('total')}
          autoFocus
        />
      )}
      {asks.generation && (
        <Choice
          label="Type"
          value={typed.generation}
          onChange={set('generation')}
          options={[
            { value: '', text: 'not shown' },
            ...[...EDGE_GENERATIONS].reverse().map((one) => ({ value: one, text: one })),
          ]}
        />
      )}
      {asks.rate && (
        <Field label="Speed" inputMode="numeric" maxLength={5} unit="MT/s" value={typed.rate} onChange={set('rate')} />
      )}
      {asks.slots && (
        <div className="flex items-end gap-2">
          <Field label="Slots used" inputMode="numeric" maxLength={2} value={typed.used} onChange={set('used')} />
          <Field label="of" inputMode="numeric" maxLength={2} value={typed.slots} onChange={set('slots')} />
        </div>
      )}
      {asks.form && (
        <Choice
          label="Form factor"
          value={typed.form}
          onChange={set('form')}
          options={[
            { value: '', text: 'not shown' },
            { value: 'SODIMM', text: 'SODIMM' },
            { value: 'DIMM', text: 'DIMM' },
          ]}
        />
      )}
      <div className="flex gap-2">
        <Button weight="act" type="submit" disabled={busy}>
          Add
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
      <div className="col-span-full">
        <Fault sentence={wrong} />
      </div>
    </form>
  );
}
