'use client';
import { memo } from 'react';
import { capacityText } from '@/core/memory/capacity';
import type { Plan } from '@/core/planning/search/plan';
import { moneyText } from '@/core/pricing/money-text';
import { factoryYardstick, type Soldered, solderedOf, type YardstickRow } from '@/core/quoting/factory-yardstick';
import { useJob } from '../job/job-context';

/** What cannot be changed after the buying, said plainly. */
function solderedText(soldered: Soldered, notBought: boolean): string | null {
  if (soldered.kind === 'none') return null;
  const size = soldered.solderedMiB === null ? '' : `${capacityText(soldered.solderedMiB)} of `;
  if (soldered.kind === 'all') {
    return notBought
      ? 'All of its memory is soldered: what is bought now is what it will always have. Buy enough of it.'
      : 'All of its memory is soldered: none of it can be changed.';
  }
  const sockets = soldered.sockets === 1 ? 'one socket' : `${soldered.sockets} sockets`;
  return notBought
    ? `${size}its memory is soldered and stays as it is bought; only ${sockets} can be filled later.`
    : `${size}its memory is soldered; only ${sockets} can be filled.`;
}

function Row({ row, mostCents, currency }: { row: YardstickRow; mostCents: number; currency: string }) {
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
          from the maker {moneyText(factoryCents, currency)} more{baseModel !== '' && `, only as ${baseModel}`}
        </span>
        {plan === null ? (
          <span className="block text-mind">no plan reaches it</span>
        ) : (
          <span className="block">
            fitted here {moneyText(plan.priceCents, currency)}
            {plan.totalMiB > totalMiB && ` for ${capacityText(plan.totalMiB)}`}
            {savingCents !== null && savingCents !== 0 && (
              <strong>
                {savingCents > 0
                  ? `, saves ${moneyText(savingCents, currency)}`
                  : `, ${moneyText(-savingCents, currency)} dearer`}
              </strong>
            )}
          </span>
        )}
      </span>
    </li>
  );
}

/** On the ladder of a machine that is not bought yet: what cannot be changed afterwards, and where that is reckoned. */
export function NotBought() {
  const { job } = useJob();
  if (!job.notBought) return null;
  const soldered = solderedText(solderedOf(job.slots), true);
  return (
    <p className="text-sm">
      {soldered !== null && <span className="text-mind font-medium">△ {soldered} </span>}
      {job.factory.options.length > 0 && (
        <a href="#yardstick" className="underline underline-offset-2">
          Not bought yet: buy it with more, or fit it here?
        </a>
      )}
    </p>
  );
}

/** What the maker asks for its own configurations: a yardstick that is shown and cannot be bought here. */
export const Yardstick = memo(function Yardstick({ plans }: { plans: readonly Plan[] }) {
  const { job } = useJob();
  const yardstick = factoryYardstick(job.factory.options, job.factory.mostMiB, plans);
  const soldered = solderedText(solderedOf(job.slots), job.notBought);
  if (yardstick === null && (soldered === null || !job.notBought)) return null;
  const mostCents = Math.max(
    0,
    ...(yardstick?.rows.flatMap(({ factoryCents, plan }) => [factoryCents, plan?.priceCents ?? 0]) ?? []),
  );
  return (
    <section id="yardstick" aria-label="The maker’s yardstick" className="mt-3 bg-sheet border border-line px-4 py-2">
      <h2 className="text-base">
        {job.notBought ? 'Buy it with more, or fit it here?' : 'What the maker asks for the same'}
      </h2>
      {soldered !== null && <p className="text-mind font-medium">△ {soldered}</p>}
      {yardstick !== null && (
        <>
          {job.notBought && yardstick.rows.length > 0 && (
            <p className="text-sm">
              Bought with {capacityText(yardstick.smallest.totalMiB)}
              {yardstick.smallest.baseModel !== '' && ` (${yardstick.smallest.baseModel})`}, the smallest configuration,
              and fitted here:
            </p>
          )}
          <ul>
            {yardstick.rows.map((row) => (
              <Row key={`${row.totalMiB} ${row.baseModel}`} row={row} mostCents={mostCents} currency={job.currency} />
            ))}
          </ul>
          <p className="text-sm text-ink-2 py-1">
            Dashed: the maker’s surcharge, a yardstick, not for sale here. Filled: our cheapest plan, fitted.
            {yardstick.factoryMaxMiB !== null &&
              ` The maker sells it with ${capacityText(yardstick.factoryMaxMiB)} at the most${
                yardstick.mostMiB > yardstick.factoryMaxMiB ? `; it takes ${capacityText(yardstick.mostMiB)} here` : ''
              }.`}
          </p>
        </>
      )}
    </section>
  );
});
