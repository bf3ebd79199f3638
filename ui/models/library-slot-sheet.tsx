'use client';
import { type FormEvent, useState } from 'react';
import { boardFault, type LibrarySlot, SLOT_PLACES, type SlotPlace } from '@/core/machine/models/model';
import { NOTHING_KNOWN } from '@/core/machine/models/nothing-known';
import { capacityText } from '@/core/memory/capacity';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
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

/** One slot of a model, edited where it stands on the board; or a new one, or one that is taken off. */
export function LibrarySlotSheet({ modelId, slots, name, onSaved, onClose }: LibrarySlotSheetProps) {
  const { busy, sentence, save } = useSave();
  const slot = slots.find((one) => one.name === name) ?? nextSlot(slots);
  const at = slots.findIndex((one) => one.name === name);
  const [typed, setTyped] = useState({
    name: slot.name,
    channel: slot.channel,
    bank: String(slot.bank),
    most: slot.maxMiB === null ? '' : capacityText(slot.maxMiB),
    lidName: slot.lidName ?? '',
    latch: slot.latch ?? '',
    place: slot.place ?? '',
    soldered: slot.soldered?.capacityMiB == null ? '' : capacityText(slot.soldered.capacityMiB),
  });
  const [isSoldered, setSoldered] = useState(slot.soldered !== null);
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });

  const put = async (next: readonly LibrarySlot[]) => {
    const fault = boardFault(next);
    setWrong(fault);
    if (fault !== null) return;
    if (!(await save('PATCH', `/api/models/${modelId}`, { slots: next })).ok) return;
    onSaved(next);
    onClose();
  };
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    const most = typed.most.trim() === '' ? null : parseCapacity(typed.most);
    const built = isSoldered ? parseCapacity(typed.soldered) : null;
    const fault =
      typed.name.trim() === ''
        ? 'Enter the slot’s name, as the board prints it.'
        : typed.channel.trim() === ''
          ? 'Enter its channel, such as A.'
          : !/^\d{1,2}$/.test(typed.bank.trim())
            ? 'Enter its place in the channel as a number, such as 1.'
            : typed.most.trim() !== '' && most === null
              ? 'Enter the largest module as a size, such as 16 GB, or nothing.'
              : isSoldered && built === null
                ? 'Enter how much is soldered, such as 8 GB.'
                : null;
    setWrong(fault);
    if (fault !== null) return;
    const known = slot.soldered?.capacityMiB === built ? slot.soldered : null;
    const made: LibrarySlot = {
      name: typed.name.trim(),
      channel: typed.channel.trim(),
      bank: Number(typed.bank),
      maxMiB: most,
      lidName: typed.lidName.trim() || null,
      latch: typed.latch.trim() || null,
      place: isSoldered ? 'soldered' : typed.place === '' ? null : (typed.place as SlotPlace),
      soldered: isSoldered ? (known ?? { ...NOTHING_KNOWN, capacityMiB: built }) : null,
    };
    await put(at < 0 ? [...slots, made] : slots.map((one, nr) => (nr === at ? made : one)));
  };
  return (
    <Sheet open title={at < 0 ? 'Add a slot' : `Slot ${slot.name}`} onClose={onClose}>
      <form className="grid grid-cols-6 gap-x-3 gap-y-2" onSubmit={keep} noValidate>
        <Field label="Name" className="col-span-2" maxLength={60} value={typed.name} onChange={set('name')} autoFocus />
        <Field label="Channel" className="col-span-2" maxLength={20} value={typed.channel} onChange={set('channel')} />
        <Field
          label="Place in channel"
          className="col-span-2"
          inputMode="numeric"
          value={typed.bank}
          onChange={set('bank')}
        />
        <Choice
          label="It is"
          className="col-span-3"
          value={isSoldered ? 'soldered' : 'socket'}
          onChange={(event) => setSoldered(event.target.value === 'soldered')}
          options={[
            { value: 'socket', text: 'a socket' },
            { value: 'soldered', text: 'soldered memory' },
          ]}
        />
        {isSoldered ? (
          <Field
            label="Soldered"
            className="col-span-3"
            placeholder="8 GB"
            value={typed.soldered}
            onChange={set('soldered')}
          />
        ) : (
          <Field
            label="Largest module"
            className="col-span-3"
            placeholder="as the others"
            value={typed.most}
            onChange={set('most')}
          />
        )}
        {!isSoldered && (
          <>
            <Choice
              label="Where it is"
              className="col-span-3"
              value={typed.place}
              onChange={set('place')}
              options={[
                { value: '', text: 'not noted' },
                ...SLOT_PLACES.filter((one) => one !== 'soldered').map((value) => ({
                  value,
                  text: PLACE_WORDS[value],
                })),
              ]}
            />
            <Field
              label="Latch colour"
              className="col-span-3"
              maxLength={40}
              value={typed.latch}
              onChange={set('latch')}
            />
          </>
        )}
        <Field
          label="Name on the lid’s label"
          className="col-span-6"
          maxLength={60}
          hint="leave blank if it is the same"
          value={typed.lidName}
          onChange={set('lidName')}
        />
        <div className="col-span-6">
          <Fault sentence={wrong ?? sentence} />
        </div>
        <div className="col-span-6 flex justify-end gap-2">
          {at >= 0 && (
            <span className="mr-auto">
              <Button weight="quiet" disabled={busy} onClick={() => void put(slots.filter((_, nr) => nr !== at))}>
                Remove slot
              </Button>
            </span>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            {at < 0 ? 'Add' : 'Save'}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
