'use client';
import { useState } from 'react';
import type { JobSlot, KnownModule } from '@/core/machine/job-slot';
import { NOTHING_KNOWN } from '@/core/machine/job-slot';
import { cycleKeep, emptySocket, moveModule } from '@/core/machine/move-module';
import { knownOf } from '@/core/machine/slots-of-reading';
import { looksLikeListing, readListing } from '@/core/reading/listing';
import { readingLine } from '@/core/reading/reading-line';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';

/** What can be done to a board by hand. */
export interface BoardEdit {
  move: (from: string, to: string) => void;
  cycle: (slot: string) => void;
  empty: (slot: string) => void;
  paste: (slot: string, text: string) => void;
}

/** A label or title as a module; null where it is none. */
export function moduleOfLabel(text: string): { module: KnownModule; line: string } | null {
  const line = text.trim().split('\n')[0]?.trim() ?? '';
  if (line === '' || line.length > 300 || !looksLikeListing(line)) return null;
  const reading = readListing(line);
  const { module } = reading;
  if (module === undefined || module.capacityMiB === null) return null;
  return { module: { ...NOTHING_KNOWN, ...knownOf(module) }, line: readingLine(reading) };
}

/** Changes of the board by hand, each saved at once and each to be taken back. */
export function useBoardEdit() {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [undo, setUndo] = useState<{ what: string; slots: JobSlot[] } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [said, setSaid] = useState('');

  const put = async (slots: JobSlot[], what: string) => {
    setWrong(null);
    const before = job.slots;
    const result = await save('PUT', `/api/jobs/${job.id}/slots`, { version: job.slotsVersion, slots });
    if (!result.ok) return;
    setUndo({ what, slots: before });
    setSaid(what);
  };
  const edit: BoardEdit = {
    move: (from, to) => {
      const moved = moveModule(job.slots, from, to);
      if (!moved.ok) setWrong(moved.sentence);
      else if (from !== to) void put(moved.slots, `moved from ${from} to ${to}`);
    },
    cycle: (slot) => {
      const slots = cycleKeep(job.slots, slot);
      const { keep } = slots.find(({ name }) => name === slot) ?? { keep: 'may' };
      const words = { may: 'may stay or go', must: 'must stay', never: 'must go' }[keep];
      void put(slots, `${slot} ${words}`);
    },
    empty: (slot) => void put(emptySocket(job.slots, slot), `${slot} emptied`),
    paste: (slot, text) => {
      const read = moduleOfLabel(text);
      if (read === null) {
        setWrong('What was pasted is no module’s label or title.');
        return;
      }
      const slots = job.slots.map(
        (one): JobSlot => (one.name === slot ? { ...one, module: read.module, moduleSource: 'typed' } : one),
      );
      void put(slots, `${slot}: ${read.line}`);
    },
  };
  return {
    edit,
    busy,
    sentence: wrong ?? sentence,
    said,
    undo:
      undo === null
        ? null
        : {
            what: undo.what,
            run: async () => {
              const { slots } = undo;
              const result = await save('PUT', `/api/jobs/${job.id}/slots`, { version: job.slotsVersion, slots });
              if (result.ok) setUndo(null);
            },
          },
  };
}
