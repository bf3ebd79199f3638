'use client';
import { useState } from 'react';
import type { JobSlot } from '@/core/machine/job-slot';
import { cycleKeep, emptySocket, moveModule } from '@/core/machine/move-module';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';

/** What can be done to a board by hand. */
export interface BoardEdit {
  move: (from: string, to: string) => void;
  cycle: (slot: string) => void;
  empty: (slot: string) => void;
  paste: (slot: string, text: string) => Promise<void>;
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
    paste: async (slot, text) => {
      // What reads labels is fetched once somebody pastes one.
      const { moduleOfLabel } = await import('./module-of-label');
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
