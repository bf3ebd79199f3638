'use client';
import { capacityText } from '@/core/memory/capacity';
import { useJob } from '../job/job-context';
import { Notice } from '../kit/notice';

const FATE_WORDS = {
  today: '',
  'built-in': 'built in',
  stays: 'stays',
  moves: 'moves here',
  new: 'new',
  empty: 'stays empty',
} as const;

/** Fitting: for now what goes where by the sent quote; the bench checklist comes later, and that is said. */
export function FittingStation() {
  const { job } = useJob();
  const [last] = job.sent;
  return (
    <div className="grid gap-3">
      <h1 className="text-lg">Fitting</h1>
      <Notice tone="mind">
        The bench checklist, orders and ticked steps come with a later version. What goes where is here already.
      </Notice>
      {last === undefined && <p>Once a quote is sent, this shows which module goes into which slot.</p>}
      {last?.options.map((option) => (
        <section key={option.place} aria-label={`Option ${option.place}`}>
          <h2 className="text-base mb-1">
            Option {option.place}: {capacityText(option.totalMiB)}
          </h2>
          <ul className="bg-sheet border border-line divide-y divide-line">
            {option.after.map((slot) => (
              <li key={slot.slot} className="flex gap-4 px-4 py-2 text-lg">
                <strong className="w-24">{slot.slot}</strong>
                <span className="flex-1">{slot.text ?? 'empty'}</span>
                <span className="text-ink-2">{FATE_WORDS[slot.fate]}</span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
