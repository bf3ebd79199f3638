'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';

/** The next slot of a board that is typed by hand: channels in turn, so that two slots make two channels. */
function nextSlot(slots: readonly JobSlot[]): JobSlot {
  const channel = slots.length % 2 === 0 ? 'A' : 'B';
  let bank = Math.floor(slots.length / 2) + 1;
  while (slots.some((slot) => slot.name === `${channel}${bank}`)) bank++;
  return {
    name: `${channel}${bank}`,
    channel,
    bank,
    maxMiB: null,
    soldered: false,
    keep: 'may',
    creditCents: 0,
    module: null,
    placeSource: 'typed',
    moduleSource: 'typed',
  };
}

/** Adds a slot to a board, or takes the last empty one off. */
export function AddSlot() {
  const t = useTranslations('board');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [asked, setAsked] = useState(false);
  const put = (slots: JobSlot[]) => {
    setAsked(true);
    return save('PUT', `/api/jobs/${job.id}/slots`, { version: job.slotsVersion, slots });
  };
  const last = job.slots.at(-1);
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      <Button weight="quiet" disabled={busy} onClick={() => put([...job.slots, nextSlot(job.slots)])}>
        {t('addSlot')}
      </Button>
      {last !== undefined && last.module === null && (
        <Button weight="quiet" disabled={busy} onClick={() => put(job.slots.slice(0, -1))}>
          {t('removeSlot', { name: last.name })}
        </Button>
      )}
      {asked && sentence !== null && (
        <span role="alert" className="text-stop">
          {sentence}
        </span>
      )}
    </div>
  );
}
