'use client';
import { useState } from 'react';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import { capacityText } from '@/core/memory/capacity';
import { SlotEditor } from '../board/slot-editor';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';

const SOURCES: Record<JobSlot['placeSource'], string> = {
  reading: 'the machine',
  model: 'the model library',
  typed: 'typed here',
  inferred: 'told by its name',
  earlier: 'an earlier job',
  specification: 'the specification',
};

const KEEP_WORDS: Record<JobSlot['keep'], string> = { may: '', must: 'must stay', never: 'must go' };

function holdsText({ module, soldered, blocked, keep }: JobSlot): string {
  if (blocked === true) return 'blocked';
  if (module === null) return 'empty';
  const size = module.capacityMiB === null ? 'a module of unknown size' : capacityText(module.capacityMiB);
  const rate = module.rateMTs === null ? 'rate not known' : `${module.rateMTs} MT/s`;
  return [size, rate, soldered ? 'soldered' : KEEP_WORDS[keep]].filter(Boolean).join(', ');
}

/** The slots as they count for planning: channel and bank with who says so, what is in them, and the way to change it. */
export function SlotRows() {
  const { job } = useJob();
  const [editing, setEditing] = useState<string | null>(null);
  if (job.slots.length === 0) return null;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable by keyboard
    <section className="overflow-x-auto bg-sheet border border-line" aria-label="Slots and their sources" tabIndex={0}>
      <table className="w-full text-sm border-collapse">
        <thead>
          <tr className="text-left border-b-2 border-edge">
            {['Slot', 'Channel', 'Bank', 'Largest module', 'Place told by', 'Holds', 'Content told by'].map((head) => (
              <th key={head} scope="col" className="px-3 py-1.5 font-semibold whitespace-nowrap">
                {head}
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {job.slots.map((slot) => (
            <tr key={slot.name} className="border-b border-line last:border-0">
              <th scope="row" className="px-3 py-1 text-left font-medium whitespace-nowrap">
                {slot.name}
                {slot.lidName != null && <span className="text-ink-2 font-normal"> (lid: {slot.lidName})</span>}
              </th>
              <td className="px-3 py-1 font-bold">{slot.channel}</td>
              <td className="px-3 py-1 font-bold">{slot.bank}</td>
              <td className="px-3 py-1">{slot.maxMiB === null ? 'as the board' : capacityText(slot.maxMiB)}</td>
              <td className="px-3 py-1 text-ink-2">{SOURCES[slot.placeSource]}</td>
              <td className="px-3 py-1">{holdsText(slot)}</td>
              <td className="px-3 py-1 text-ink-2">{SOURCES[slot.moduleSource]}</td>
              <td className="px-2 py-0.5 text-right">
                <Button weight="quiet" onClick={() => setEditing(slot.name)} aria-label={`Change slot ${slot.name}`}>
                  Change
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {editing !== null && <SlotEditor name={editing} onClose={() => setEditing(null)} />}
    </section>
  );
}
