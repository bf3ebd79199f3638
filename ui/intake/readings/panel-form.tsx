'use client';
import { useTranslations } from '#translations';
import type { PanelAsks } from '@/core/machine/panel-asks';
import { EDGE_GENERATIONS } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { StaffWords } from '@/words/staff-words';
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
function faultOfSlots(t: StaffWords<'intake'>, used: string, slots: string): string | null {
  if (!WHOLE.test(used.trim()) || !WHOLE.test(slots.trim())) return t('panel.faults.slots');
  if (Number(used) > Number(slots) || Number(slots) < 1) return t('panel.faults.more');
  return Number(slots) > 64 ? t('panel.faults.most') : null;
}

function readPanel(t: StaffWords<'intake'>, typed: Typed): Read<Typed, File> {
  const { total, rate, used, slots } = typed;
  const nothing = total.trim() === '' && rate.trim() === '' ? t('panel.faults.either') : null;
  const looked = {
    total: total.trim() !== '' && parseCapacity(total) === null ? t('panel.faults.memory') : nothing,
    rate: rate.trim() !== '' && !/^\d{2,5}$/.test(rate.trim()) && t('panel.faults.speed'),
    used: faultOfSlots(t, used, slots),
  };
  return readTyped<Typed, File>(looked, () => textFile(t('panel.source'), panelText(typed)));
}

/** What a system's screen shows of its memory, typed: total, speed, slots used of slots, form. */
export function PanelForm({ asks, onTyped, onClose }: PanelFormProps) {
  const t = useTranslations('intake');
  const typing = useTyped<Typed, File>({
    from: NOTHING,
    read: (typed) => readPanel(t, typed),
    send: async (file) => {
      if (await onTyped(file)) onClose();
      return undefined;
    },
  });
  return (
    <Form
      typing={typing}
      label={t('panel.label')}
      box="mt-2 border-t border-line pt-2"
      className="grid grid-cols-[repeat(auto-fit,minmax(8.5rem,1fr))] gap-x-3 gap-y-2 items-start"
      action={t('panel.add')}
      onLeave={onClose}
    >
      {asks.total && <TextField name="total" label={t('panel.memory')} placeholder="16 GB" maxLength={12} autoFocus />}
      {asks.generation && (
        <ChoiceField
          name="generation"
          label={t('panel.type')}
          options={[
            { value: '', text: t('panel.notShown') },
            ...[...EDGE_GENERATIONS].reverse().map((one) => ({ value: one, text: one })),
          ]}
        />
      )}
      {asks.rate && <TextField name="rate" label={t('panel.speed')} inputMode="numeric" maxLength={5} unit="MT/s" />}
      {asks.slots && (
        <div className="flex items-start gap-2">
          <TextField name="used" label={t('panel.used')} inputMode="numeric" maxLength={2} />
          <TextField name="slots" label={t('panel.of')} inputMode="numeric" maxLength={2} />
        </div>
      )}
      {asks.form && (
        <ChoiceField
          name="form"
          label={t('panel.form')}
          options={[
            { value: '', text: t('panel.notShown') },
            { value: 'SODIMM', text: 'SODIMM' },
            { value: 'DIMM', text: 'DIMM' },
          ]}
        />
      )}
    </Form>
  );
}
