'use client';
import type { PanelAsks } from '@/core/machine/panel-asks';
import { EDGE_GENERATIONS } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { type Read, readTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { textFile } from './reading-inputs';

interface PanelFormProps {
  asks: PanelAsks;
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

type Typed = typeof NOTHING;

/** What keeps slots used and slots there are from being so; null: nothing does. */
function faultOfSlots(used: string, slots: string): string | null {
  if (!WHOLE.test(used.trim()) || !WHOLE.test(slots.trim()))
    return 'Enter how many slots are used, and how many there are.';
  if (Number(used) > Number(slots) || Number(slots) < 1) return 'No more slots are used than there are.';
  return Number(slots) > 64 ? 'A machine has at most 64 slots.' : null;
}

function readPanel(typed: Typed): Read<Typed, File> {
  const { total, rate, used, slots } = typed;
  const nothing = total.trim() === '' && rate.trim() === '' ? 'Enter the memory or the speed as well.' : null;
  const looked = {
    total:
      total.trim() !== '' && parseCapacity(total) === null
        ? 'Enter the memory as the screen shows it, such as 16 GB.'
        : nothing,
    rate: rate.trim() !== '' && !/^\d{2,5}$/.test(rate.trim()) && 'Enter the speed as a number, such as 2667.',
    used: faultOfSlots(used, slots),
  };
  return readTyped<Typed, File>(looked, () => textFile('typed from the screen', panelText(typed)));
}

/** What a system's screen shows of its memory, typed: total, speed, slots used of slots, form. */
export function PanelForm({ asks, onTyped, onClose }: PanelFormProps) {
  const typing = useTyped<Typed, File>({
    from: NOTHING,
    read: readPanel,
    send: async (file) => {
      if (await onTyped(file)) onClose();
      return undefined;
    },
  });
  return (
    <Form
      typing={typing}
      label="What the screen shows"
      box="mt-2 border-t border-line pt-2"
      className="grid grid-cols-[repeat(auto-fit,minmax(8.5rem,1fr))] gap-x-3 gap-y-2 items-start"
      action="Add"
      onLeave={onClose}
    >
      {asks.total && <TextField name="total" label="Memory" placeholder="16 GB" maxLength={12} autoFocus />}
      {asks.generation && (
        <ChoiceField
          name="generation"
          label="Type"
          options={[
            { value: '', text: 'not shown' },
            ...[...EDGE_GENERATIONS].reverse().map((one) => ({ value: one, text: one })),
          ]}
        />
      )}
      {asks.rate && <TextField name="rate" label="Speed" inputMode="numeric" maxLength={5} unit="MT/s" />}
      {asks.slots && (
        <div className="flex items-start gap-2">
          <TextField name="used" label="Slots used" inputMode="numeric" maxLength={2} />
          <TextField name="slots" label="of" inputMode="numeric" maxLength={2} />
        </div>
      )}
      {asks.form && (
        <ChoiceField
          name="form"
          label="Form factor"
          options={[
            { value: '', text: 'not shown' },
            { value: 'SODIMM', text: 'SODIMM' },
            { value: 'DIMM', text: 'DIMM' },
          ]}
        />
      )}
    </Form>
  );
}
