'use client';
import { useState } from 'react';
import { capacityText } from '@/core/memory/capacity';
import { slotChanges } from '@/core/quoting/slot-changes';
import { AddSlot } from '../board/add-slot';
import { SlotBoard } from '../board/slot-board';
import { SlotEditor } from '../board/slot-editor';
import { Slip } from '../slip/slip';
import { useJob } from './job-context';

/** What never leaves the screen: the slot board and the slip. */
export function Beside() {
  const { job, looked } = useJob();
  const [editing, setEditing] = useState<string | null>(null);
  const changes = slotChanges(job.slots, looked, job.planCase?.offers ?? []);
  const total = job.slots.reduce((sum, slot) => sum + (slot.module?.capacityMiB ?? 0), 0);
  return (
    <aside aria-label="Machine and slip" className="no-print beside">
      <section aria-label="Slot board" className="bg-sheet border border-line px-3.5 pt-3 pb-2">
        <div className="flex items-baseline justify-between gap-2 mb-1">
          <h2 className="text-base truncate">
            {`${job.machine.maker} ${job.machine.name}`.trim() || 'No machine yet'}
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
        {job.slots.length === 0 ? (
          <p className="text-sm text-ink-2 pb-1">
            Its slots appear here once a report is read or a model is picked; or add them by hand.
          </p>
        ) : (
          <SlotBoard changes={changes} planned={looked !== null} onPick={setEditing} />
        )}
        <AddSlot />
      </section>
      <Slip />
      {editing !== null && <SlotEditor name={editing} onClose={() => setEditing(null)} />}
    </aside>
  );
}
