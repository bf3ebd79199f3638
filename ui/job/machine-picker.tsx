'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useTranslations } from '#translations';
import type { MachineView } from '@/service/job/bench/view';
import type { StaffWords } from '@/words/staff-words';
import { useJob } from './job-context';

/** How far a machine is, in a word or two, and whether it is done with. */
function standing(
  t: StaffWords<'job'>,
  { fitting, proof }: MachineView,
  station: string,
): { words: string; isDone: boolean } {
  if (station === 'proof') {
    const words = {
      none: t('machines.noReport'),
      read: t('machines.read'),
      broken: t('machines.broken'),
      signed: t('machines.proved'),
    }[proof];
    return { words, isDone: proof === 'signed' };
  }
  if (fitting === null) return { words: t('machines.waits'), isDone: false };
  const isDone = fitting.ended >= fitting.of;
  return {
    words: isDone ? t('machines.fitted') : t('machines.steps', { ended: fitting.ended, of: fitting.of }),
    isDone,
  };
}

/** Several machines of one job: how far each is, and which of them is in hand. */
export function MachinePicker() {
  const t = useTranslations('job');
  const { job } = useJob();
  const station = usePathname().split('/').at(-1) ?? '';
  const { machines, machine } = job.work;
  const own = machines.filter(({ jobId }) => jobId === job.id);
  if (own.length < 2) return null;
  const done = own.filter((one) => standing(t, one, station).isDone).length;
  return (
    <nav aria-label={t('machines.label')} className="grid gap-1">
      <p className="text-sm text-ink-2">
        {t(station === 'proof' ? 'machines.provedOf' : 'machines.fittedOf', { done, all: own.length })}
      </p>
      <ul className="grid gap-1 grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))]">
        {own.map((one) => {
          const isHere = one.machine === machine;
          const { words, isDone } = standing(t, one, station);
          return (
            <li key={one.machine}>
              <Link
                href={`/jobs/${job.id}/${station}?machine=${one.machine}`}
                scroll={false}
                aria-current={isHere ? 'true' : undefined}
                className={`block min-h-11 px-2.5 py-1 rounded-notch border leading-5 ${isHere ? 'bg-act-soft border-act border-2' : 'bg-sheet border-edge hover:bg-sunk'}`}
              >
                <span className="font-semibold">
                  <span aria-hidden="true" className={isDone ? 'text-good' : 'text-ink-2'}>
                    {isDone ? '✓ ' : ''}
                  </span>
                  {one.machine}
                </span>{' '}
                <span className="break-all">{one.serial || t('machines.noSerial')}</span>
                <span className={`block text-sm ${isDone ? 'text-good' : 'text-ink-2'}`}>{words}</span>
              </Link>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
