'use client';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import { moduleDetail } from '@/core/machine/slots/module-detail';
import { fillOrder } from '@/core/planning/model/fill-order';
import { slotChanges } from '@/core/quoting/slot-changes';
import { AddSlot } from '../board/add-slot';
import { SlotBoard } from '../board/slot-board';
import { useBoardEdit } from '../board/use-board-edit';
import { benchChanges } from '../fitting/bench-changes';
import { Button } from '../kit/button';
import { Slip } from '../slip/slip';
import { capacityText } from '../words/amounts';
import { useJob } from './job-context';

const SlotEditor = dynamic(() => import('../board/slot-editor').then((module) => module.SlotEditor), { ssr: false });

/** The number of each socket in the order in which they are filled. */
function fillOf(slots: readonly JobSlot[], wanted: readonly string[]): Record<string, number> {
  const order = fillOrder(
    slots.map(({ name, channel, bank, soldered, blocked }) => ({
      id: name,
      channel,
      bank,
      soldered: soldered || blocked === true ? true : null,
    })),
    wanted,
  );
  return Object.fromEntries(order.map((index, place) => [slots[index]?.name ?? '', place + 1]));
}

/** What never leaves the screen: the slot board and the slip. */
export function Beside() {
  const t = useTranslations('job');
  const { job, looked, offerOnSlot } = useJob();
  const [editing, setEditing] = useState<string | null>(null);
  const [filling, setFilling] = useState(false);
  const { edit, sentence, said, undo } = useBoardEdit();
  const known = slotChanges(job.slots, looked, job.planCase?.offers ?? []);
  // Once hands were in the machine, the board shows what they have done, not what was read; where that is corrected, it does not.
  const isAfter = /\/(quote|fitting|proof)$/.test(usePathname());
  const bench = isAfter ? benchChanges(known, job.work) : null;
  const changes = bench ?? known;
  const details = Object.fromEntries(
    job.slots.flatMap(({ name, module }) => (module === null ? [] : [[name, moduleDetail(module)]])),
  );
  return (
    <aside aria-label={t('beside.label')} className="no-print beside">
      <section aria-label={t('beside.board')} className="bg-sheet border border-line px-3.5 pt-3 pb-2">
        <BoardHead total={changes.reduce((sum, { now }) => sum + (now ?? 0), 0)} />
        {job.slots.length === 0 ? (
          <p className="text-sm text-ink-2 pb-1">{t('beside.noSlots')}</p>
        ) : (
          <SlotBoard
            changes={changes}
            planned={looked !== null}
            generation={job.limits.generations?.value[0] ?? null}
            form={job.limits.form?.value ?? null}
            facts={job.slotFacts}
            details={bench === null ? details : {}}
            {...(filling ? { fill: fillOf(job.slots, job.limits.fillOrder?.value ?? []) } : {})}
            onPick={setEditing}
            edit={edit}
            onOffer={(slot, offer) => offerOnSlot.current?.(slot, offer)}
          />
        )}
        {bench !== null && <p className="text-sm text-mind">{t('beside.asFitted')}</p>}
        <p role="status" className="sr-only">
          {said}
        </p>
        {sentence !== null && (
          <p role="alert" className="text-stop text-sm font-medium">
            {sentence}
          </p>
        )}
        <div className="flex flex-wrap items-center gap-2 text-sm">
          <AddSlot />
          {job.slots.length > 1 && (
            <Button weight="quiet" aria-pressed={filling} onClick={() => setFilling(!filling)}>
              {filling ? t('beside.hideFilling') : t('beside.filling')}
            </Button>
          )}
          {undo !== null && (
            <Button weight="quiet" onClick={() => void undo.run()}>
              {t('beside.undo', { what: undo.what })}
            </Button>
          )}
        </div>
      </section>
      <Slip />
      {editing !== null && <SlotEditor name={editing} onClose={() => setEditing(null)} />}
    </aside>
  );
}

/** Which machine it is, and its total today and after the plan that is looked at. */
function BoardHead({ total }: { total: number }) {
  const t = useTranslations('job');
  const { job, looked } = useJob();
  return (
    <div className="flex items-baseline justify-between gap-2 mb-1">
      <h2 className="text-base truncate">
        {`${job.machine.maker} ${job.machine.name}`.trim() || t('beside.noMachine')}
      </h2>
      {job.slots.length > 0 && (
        <span className="text-sm shrink-0">
          <span className="font-semibold">{capacityText(total)}</span>
          {looked !== null && (
            <>
              {' → '}
              <span className="font-semibold text-act">{capacityText(looked.totalMiB)}</span>
            </>
          )}
        </span>
      )}
    </div>
  );
}
