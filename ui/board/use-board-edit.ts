'use client';
import { useRef, useState } from 'react';
import { useTranslations } from '#translations';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import { cycleKeep, emptySocket, moveModule } from '@/core/machine/slots/move-module';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { notMovedText } from './not-moved-text';

/** What can be done to a board by hand. */
export interface BoardEdit {
  move: (from: string, to: string) => void;
  cycle: (slot: string) => void;
  empty: (slot: string) => void;
  paste: (slot: string, text: string) => Promise<void>;
}

const KEEP_WORDS = { may: 'keeps.may', must: 'keeps.must', never: 'keeps.never' } as const;

/** Changes of the board by hand, each saved at once and each to be taken back. */
export function useBoardEdit() {
  const t = useTranslations('board');
  const { job, foretell } = useJob();
  // The slots' version as far as it is known here: what is kept is saved beside what the page shows.
  const known = useRef(job.slotsVersion);
  known.current = Math.max(known.current, job.slotsVersion);
  const keeping = useRef<Promise<unknown>>(Promise.resolve());
  const { busy, sentence, save } = useSave();
  const [undo, setUndo] = useState<{ what: string; run: () => Promise<void> } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [said, setSaid] = useState('');

  const put = async (slots: JobSlot[], what: string) => {
    setWrong(null);
    const before = job.slots;
    await keeping.current;
    const result = await save('PUT', `/api/jobs/${job.id}/slots`, { version: known.current, slots });
    if (!result.ok) return;
    const run = async () => {
      await keeping.current;
      const undone = await save('PUT', `/api/jobs/${job.id}/slots`, { version: known.current, slots: before });
      if (undone.ok) setUndo(null);
    };
    setUndo({ what, run });
    setSaid(what);
  };
  /** Seen and planned with at once; the job hears of it meanwhile. */
  const keepAs = async (slot: string, keep: JobSlot['keep']): Promise<boolean> => {
    foretell(slot, keep);
    const saving = save<{ version: number }>('PUT', `/api/jobs/${job.id}/keep`, { slot, keep });
    keeping.current = saving;
    const result = await saving;
    if (result.ok) known.current = Math.max(known.current, result.value.version);
    foretell(slot, result.ok ? keep : null, true);
    return result.ok;
  };
  const edit: BoardEdit = {
    move: (from, to) => {
      const moved = moveModule(job.slots, from, to);
      if (!moved.ok) setWrong(notMovedText(t, moved));
      else if (from !== to) void put(moved.slots, t('moved', { from, to }));
    },
    cycle: (slot) => {
      const named = ({ name }: JobSlot) => name === slot;
      const before = job.slots.find(named);
      const keep = cycleKeep(job.slots, slot).find(named)?.keep;
      if (before === undefined || keep === undefined || keep === before.keep) return;
      const what = `${slot} ${t(KEEP_WORDS[keep])}`;
      setWrong(null);
      setSaid(what);
      void keepAs(slot, keep).then((ok) => {
        const run = async () => {
          if (await keepAs(slot, before.keep)) setUndo(null);
        };
        if (ok) setUndo({ what, run });
      });
    },
    empty: (slot) => void put(emptySocket(job.slots, slot), t('emptied', { slot })),
    paste: async (slot, text) => {
      // What reads labels is fetched once somebody pastes one.
      const { moduleOfLabel } = await import('./module-of-label');
      const read = moduleOfLabel(text);
      if (read === null) {
        setWrong(t('notALabel'));
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
    undo,
  };
}
