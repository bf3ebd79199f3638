'use client';
import { useTranslations } from '#translations';
import { boardFault, type LibrarySlot, SLOT_PLACES, type SlotPlace } from '@/core/machine/models/model';
import { NOTHING_KNOWN } from '@/core/machine/models/nothing-known';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { StaffWords } from '@/words/staff-words';
import type { Called } from '../client/session-guard';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { isTyped, type Read, readTyped, wholeTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';
import { capacityText } from '../words/amounts';
import { PLACE_WORDS } from './place-words';

interface LibrarySlotSheetProps {
  modelId: number;
  slots: readonly LibrarySlot[];
  /** the slot that is edited; null: one that is added */
  name: string | null;
  onSaved: (slots: readonly LibrarySlot[]) => void;
  onClose: () => void;
}

const EMPTY: LibrarySlot = {
  name: '',
  channel: 'A',
  bank: 1,
  maxMiB: null,
  lidName: null,
  place: null,
  latch: null,
  soldered: null,
};

/** The next slot of a board: the channel that has fewest, its next number. */
function nextSlot(slots: readonly LibrarySlot[]): LibrarySlot {
  const channels = [...new Set(slots.map(({ channel }) => channel))];
  const count = (channel: string): number => slots.filter((slot) => slot.channel === channel).length;
  const [channel = 'A'] = [...channels].sort((a, b) => count(a) - count(b));
  const bank = Math.max(0, ...slots.filter((slot) => slot.channel === channel).map((slot) => slot.bank)) + 1;
  return { ...EMPTY, channel, bank, name: `${channel}${bank}` };
}

type TypedSlot = ReturnType<typeof typedSlot>;

const typedSlot = (slot: LibrarySlot) => ({
  name: slot.name,
  channel: slot.channel,
  bank: String(slot.bank),
  is: slot.soldered === null ? 'socket' : 'soldered',
  most: slot.maxMiB === null ? '' : capacityText(slot.maxMiB),
  lidName: slot.lidName ?? '',
  latch: slot.latch ?? '',
  place: slot.place ?? '',
  soldered: slot.soldered?.capacityMiB == null ? '' : capacityText(slot.soldered.capacityMiB),
});

/** The slot that was typed, or what is wrong with it. */
function readSlot(t: StaffWords<'models'>, slot: LibrarySlot, typed: TypedSlot): Read<TypedSlot, LibrarySlot> {
  const isSoldered = typed.is === 'soldered';
  const most = isTyped(typed.most) ? parseCapacity(typed.most) : null;
  const built = isSoldered ? parseCapacity(typed.soldered) : null;
  const looked = {
    name: !isTyped(typed.name) && t('slot.faults.name'),
    channel: !isTyped(typed.channel) && t('slot.faults.channel'),
    bank: wholeTyped(typed.bank, 2) === null && t('slot.faults.place'),
    most: isTyped(typed.most) && most === null && t('slot.faults.largest'),
    soldered: isSoldered && built === null && t('slot.faults.soldered'),
  };
  const known = slot.soldered?.capacityMiB === built ? slot.soldered : null;
  return readTyped<TypedSlot, LibrarySlot>(looked, () => ({
    name: typed.name.trim(),
    channel: typed.channel.trim(),
    bank: Number(typed.bank),
    maxMiB: most,
    lidName: typed.lidName.trim() || null,
    latch: typed.latch.trim() || null,
    place: isSoldered ? 'soldered' : typed.place === '' ? null : (typed.place as SlotPlace),
    soldered: isSoldered ? (known ?? { ...NOTHING_KNOWN, capacityMiB: built }) : null,
  }));
}

/** One slot of a model, edited where it stands on the board; or a new one, or one that is taken off. */
export function LibrarySlotSheet({ modelId, slots, name, onSaved, onClose }: LibrarySlotSheetProps) {
  const t = useTranslations('models');
  const { save } = useSave();
  const slot = slots.find((one) => one.name === name) ?? nextSlot(slots);
  const at = slots.findIndex((one) => one.name === name);
  const put = async (next: readonly LibrarySlot[]): Promise<Called<unknown>> => {
    const fault = boardFault(next);
    if (fault !== null) return { ok: false, code: 'bad-input', sentence: fault };
    const result = await save('PATCH', `/api/models/${modelId}`, { slots: next });
    if (result.ok) {
      onSaved(next);
      onClose();
    }
    return result;
  };
  const typing = useTyped<TypedSlot, LibrarySlot>({
    from: typedSlot(slot),
    read: (typed) => readSlot(t, slot, typed),
    send: (made) => put(at < 0 ? [...slots, made] : slots.map((one, nr) => (nr === at ? made : one))),
  });
  const remove = () => void typing.act(() => put(slots.filter((_, nr) => nr !== at)));
  return (
    <Sheet open title={at < 0 ? t('slot.add') : t('slot.title', { name: slot.name })} onClose={onClose}>
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        action={at < 0 ? t('add') : t('save')}
        onLeave={onClose}
        beside={
          at >= 0 && (
            <Button weight="quiet" disabled={typing.busy} onClick={remove}>
              {t('slot.remove')}
            </Button>
          )
        }
      >
        <SlotFields isSoldered={typing.form.watch('is') === 'soldered'} />
      </Form>
    </Sheet>
  );
}

function SlotFields({ isSoldered }: { isSoldered: boolean }) {
  const t = useTranslations('models');
  return (
    <>
      <TextField name="name" label={t('slot.name')} className="col-span-2" maxLength={60} autoFocus />
      <TextField name="channel" label={t('slot.channel')} className="col-span-2" maxLength={20} />
      <TextField name="bank" label={t('slot.place')} className="col-span-2" inputMode="numeric" />
      <ChoiceField
        name="is"
        label={t('slot.kind')}
        className="col-span-3"
        options={[
          { value: 'socket', text: t('slot.socket') },
          { value: 'soldered', text: t('slot.isSoldered') },
        ]}
      />
      {isSoldered ? (
        <TextField name="soldered" label={t('slot.soldered')} className="col-span-3" placeholder="8 GB" />
      ) : (
        <>
          <TextField name="most" label={t('slot.largest')} className="col-span-3" placeholder={t('slot.asOthers')} />
          <ChoiceField
            name="place"
            label={t('slot.where')}
            className="col-span-3"
            options={[
              { value: '', text: t('slot.notNoted') },
              ...SLOT_PLACES.filter((one) => one !== 'soldered').map((value) => ({
                value,
                text: t(PLACE_WORDS[value]),
              })),
            ]}
          />
          <TextField name="latch" label={t('slot.latch')} className="col-span-3" maxLength={40} />
        </>
      )}
      <TextField name="lidName" label={t('slot.lid')} className="col-span-6" maxLength={60} hint={t('slot.lidHint')} />
    </>
  );
}
