'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import type { StaffWords } from '@/words/staff-words';
import { SlotEditor } from '../board/slot-editor';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { capacityText } from '../words/amounts';

const SOURCES = {
  reading: 'slots.by.machine',
  model: 'slots.by.library',
  typed: 'slots.by.typed',
  inferred: 'slots.by.name',
  earlier: 'slots.by.earlier',
  specification: 'slots.by.specification',
} as const satisfies Record<JobSlot['placeSource'], string>;

const KEEP_WORDS = { must: 'slots.must', never: 'slots.never' } as const satisfies Record<
  Exclude<JobSlot['keep'], 'may'>,
  string
>;

function holdsText(t: StaffWords<'limits'>, { module, soldered, blocked, keep }: JobSlot): string {
  if (blocked === true) return t('slots.blocked');
  if (module === null) return t('slots.empty');
  const size = module.capacityMiB === null ? t('slots.unknownSize') : capacityText(module.capacityMiB);
  const rate = module.rateMTs === null ? t('slots.noRate') : `${module.rateMTs} MT/s`;
  return [size, rate, soldered ? t('slots.soldered') : keep === 'may' ? '' : t(KEEP_WORDS[keep])]
    .filter(Boolean)
    .join(', ');
}

/** The slots as they count for planning: channel and bank with who says so, what is in them, and the way to change it. */
export function SlotRows() {
  const t = useTranslations('limits');
  const { job } = useJob();
  const [editing, setEditing] = useState<string | null>(null);
  if (job.slots.length === 0) return null;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable by keyboard
    <section className="overflow-x-auto bg-sheet border border-line" aria-label={t('slots.label')} tabIndex={0}>
      <table className="stacks w-full text-sm border-collapse">
        <thead>
          <tr className="text-left border-b-2 border-edge">
            {[
              t('slots.slot'),
              t('slots.channel'),
              t('slots.bank'),
              t('slots.largest'),
              t('slots.placeBy'),
              t('slots.holds'),
              t('slots.contentBy'),
            ].map((head) => (
              <th key={head} scope="col" className="px-3 py-1.5 font-semibold whitespace-nowrap">
                {head}
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">{t('change')}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {job.slots.map((slot) => (
            <tr key={slot.name} className="border-b border-line last:border-0">
              <th scope="row" className="px-3 py-1 text-left font-medium whitespace-nowrap">
                {slot.name}
                {slot.lidName != null && (
                  <span className="text-ink-2 font-normal">{t('slots.lid', { lidName: slot.lidName })}</span>
                )}
              </th>
              <td data-column={t('slots.channel')} className="px-3 py-1 font-bold">
                {slot.channel}
              </td>
              <td data-column={t('slots.bank')} className="px-3 py-1 font-bold">
                {slot.bank}
              </td>
              <td data-column={t('slots.largest')} className="px-3 py-1">
                {slot.maxMiB === null ? t('slots.asBoard') : capacityText(slot.maxMiB)}
              </td>
              <td data-column={t('slots.placeBy')} className="px-3 py-1 text-ink-2">
                {t(SOURCES[slot.placeSource])}
              </td>
              <td data-column={t('slots.holds')} className="px-3 py-1">
                {holdsText(t, slot)}
              </td>
              <td data-column={t('slots.contentBy')} className="px-3 py-1 text-ink-2">
                {t(SOURCES[slot.moduleSource])}
              </td>
              <td className="stacks-end px-2 py-0.5 text-right">
                <Button
                  weight="quiet"
                  onClick={() => setEditing(slot.name)}
                  aria-label={t('slots.changeOne', { name: slot.name })}
                >
                  {t('change')}
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
