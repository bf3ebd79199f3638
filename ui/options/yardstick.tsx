'use client';
import { memo } from 'react';
import { useTranslations } from '#translations';
import type { Plan } from '@/core/planning/search/plan';
import { factoryYardstick, type Soldered, solderedOf, type YardstickRow } from '@/core/quoting/factory-yardstick';
import type { StaffWords } from '@/words/staff-words';
import { useJob } from '../job/job-context';
import { capacityText, moneyText } from '../words/amounts';

/** What cannot be changed after the buying, said plainly. */
function solderedText(t: StaffWords<'options'>, soldered: Soldered, notBought: boolean): string | null {
  if (soldered.kind === 'none') return null;
  const size = soldered.solderedMiB === null ? '' : t('yard.of', { solderedMiB: capacityText(soldered.solderedMiB) });
  if (soldered.kind === 'all') {
    return notBought ? t('yard.allBuy') : t('yard.all');
  }
  const sockets = soldered.sockets === 1 ? t('yard.oneSlot') : t('yard.slots', { sockets: soldered.sockets });
  return notBought ? t('yard.someBuy', { size, sockets }) : t('yard.some', { size, sockets });
}

function Row({ row, mostCents, currency }: { row: YardstickRow; mostCents: number; currency: string }) {
  const t = useTranslations('options');
  const { totalMiB, factoryCents, baseModel, plan, savingCents } = row;
  const share = (cents: number) => `${Math.max(1, Math.round((cents / Math.max(1, mostCents)) * 100))}`;
  return (
    <li className="grid grid-cols-[5rem_minmax(0,1fr)_minmax(0,16rem)] gap-4 items-center py-1.5 border-b border-line text-sm">
      <span className="font-semibold text-base">{capacityText(totalMiB)}</span>
      <svg viewBox="0 0 100 22" preserveAspectRatio="none" className="w-full h-6" aria-hidden="true">
        <rect
          x="0"
          y="1"
          height="8"
          width={share(factoryCents)}
          className="fill-none stroke-edge"
          vectorEffect="non-scaling-stroke"
          strokeDasharray="3 2"
        />
        {plan !== null && <rect x="0" y="13" height="8" width={share(plan.priceCents)} className="fill-board" />}
      </svg>
      <span>
        <span className="block text-ink-2">
          {t('yard.maker', {
            factoryCents: moneyText(factoryCents, currency),
            value: baseModel !== '' ? t('yard.onlyAs', { baseModel }) : '',
          })}
        </span>
        {plan === null ? (
          <span className="block text-mind">{t('yard.noPlan')}</span>
        ) : (
          <span className="block">
            {t.rich('yard.here', {
              priceCents: moneyText(plan.priceCents, currency),
              value: plan.totalMiB > totalMiB ? t('yard.for', { totalMiB: capacityText(plan.totalMiB) }) : '',
              value2: () =>
                savingCents !== null &&
                savingCents !== 0 && (
                  <strong>
                    {savingCents > 0
                      ? t('yard.saves', { savingCents: moneyText(savingCents, currency) })
                      : t('yard.dearer', { savingCents: moneyText(-savingCents, currency) })}
                  </strong>
                ),
            })}
          </span>
        )}
      </span>
    </li>
  );
}

/** On the ladder of a machine that is not bought yet: what cannot be changed afterwards, and where that is reckoned. */
export function NotBought() {
  const t = useTranslations('options');
  const { job } = useJob();
  if (!job.notBought) return null;
  const soldered = solderedText(t, solderedOf(job.slots), true);
  return (
    <p className="text-sm">
      {soldered !== null && <span className="text-mind font-medium">△ {soldered} </span>}
      {job.factory.options.length > 0 && (
        <a href="#yardstick" className="underline underline-offset-2">
          {t('yard.question')}
        </a>
      )}
    </p>
  );
}

/** What the maker asks for its own configurations: a yardstick that is shown and cannot be bought here. */
export const YardstickNote = memo(function YardstickNote({ plans }: { plans: readonly Plan[] }) {
  const t = useTranslations('options');
  const { job } = useJob();
  const yardstick = factoryYardstick(job.factory.options, job.factory.mostMiB, plans);
  const soldered = solderedText(t, solderedOf(job.slots), job.notBought);
  if (yardstick === null && (soldered === null || !job.notBought)) return null;
  const mostCents = Math.max(
    0,
    ...(yardstick?.rows.flatMap(({ factoryCents, plan }) => [factoryCents, plan?.priceCents ?? 0]) ?? []),
  );
  return (
    <section id="yardstick" aria-label={t('yard.label')} className="mt-3 bg-sheet border border-line px-4 py-2">
      <h2 className="text-base">{job.notBought ? t('yard.short') : t('yard.maker2')}</h2>
      {soldered !== null && <p className="text-mind font-medium">△ {soldered}</p>}
      {yardstick !== null && (
        <>
          {job.notBought && yardstick.rows.length > 0 && (
            <p className="text-sm">
              {t('yard.smallest', {
                totalMiB: capacityText(yardstick.smallest.totalMiB),
                value: yardstick.smallest.baseModel !== '' ? ` (${yardstick.smallest.baseModel})` : '',
              })}
            </p>
          )}
          <ul>
            {yardstick.rows.map((row) => (
              <Row key={`${row.totalMiB} ${row.baseModel}`} row={row} mostCents={mostCents} currency={job.currency} />
            ))}
          </ul>
          <p className="text-sm text-ink-2 py-1">
            {t('yard.key', {
              value:
                yardstick.factoryMaxMiB !== null
                  ? t('yard.most', {
                      factoryMaxMiB: capacityText(yardstick.factoryMaxMiB),
                      value:
                        yardstick.mostMiB > yardstick.factoryMaxMiB
                          ? t('yard.takes', { mostMiB: capacityText(yardstick.mostMiB) })
                          : '',
                    })
                  : '',
            })}
          </p>
        </>
      )}
    </section>
  );
});
