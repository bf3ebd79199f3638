'use client';
import { Dialog } from 'radix-ui';
import { capacityIn, moneyIn } from '@/core/quoting/words/in-language';
import type { Language } from '@/core/quoting/words/language';
import { PAPER_WORDS } from '@/core/quoting/words/paper-words';
import { BoardStrip } from '../customer/board-strip';
import { useJob } from '../job/job-context';
import type { SlipOption } from '../job/job-view';
import { Button } from '../kit/button';

type Shown = Extract<SlipOption, { ok: true }>;

const WIDTH = 640;
const STEP = 74;

/** The ladder reduced to what is offered and today's machine: one step for each total, the price at its place. */
function OfferedLadder({
  options,
  todayMiB,
  currency,
  language,
}: {
  options: readonly Shown[];
  todayMiB: number;
  currency: string;
  language: Language;
}) {
  const { now } = PAPER_WORDS[language];
  const capacityText = (mib: number) => capacityIn(language, mib);
  const moneyText = (minor: number) => moneyIn(language, minor, currency);
  const totals = [...new Set(options.map(({ option }) => option.totalMiB))].sort((a, b) => b - a);
  const dearest = Math.max(...options.map(({ option }) => option.totalCents), 1);
  const height = totals.length * STEP + 44;
  const words = options.map(
    ({ place, option }) =>
      `${place}: ${PAPER_WORDS[language].page.forPrice(capacityText(option.totalMiB), moneyText(option.totalCents))}`,
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full max-h-[34dvh]"
      role="img"
      aria-label={`${now} ${capacityText(todayMiB)}. ${words.join('. ')}`}
    >
      {totals.map((total, nr) => (
        <g key={total} transform={`translate(0,${nr * STEP})`}>
          <text x="0" y="40" className="fill-ink text-[30px] font-bold">
            {capacityText(total)}
          </text>
          <path d={`M130 46H${WIDTH}`} className="stroke-line" strokeWidth="3" />
          {options
            .filter(({ option }) => option.totalMiB === total)
            .map(({ place, option }) => {
              const x = 150 + (option.totalCents / dearest) * (WIDTH - 290);
              return (
                <g key={place} transform={`translate(${x},32)`}>
                  <circle r="19" className="fill-act" />
                  <text textAnchor="middle" y="8" className="fill-on-act text-[23px] font-bold">
                    {place}
                  </text>
                  <text x="27" y="8" className="fill-ink text-[23px] font-semibold">
                    {moneyText(option.totalCents)}
                  </text>
                </g>
              );
            })}
        </g>
      ))}
      <g transform={`translate(0,${totals.length * STEP})`}>
        <path d={`M0 4H${WIDTH}`} className="stroke-edge" strokeWidth="5" />
        <text x="0" y="36" className="fill-ink-2 text-[26px] font-semibold">
          {now}: {capacityText(todayMiB)}
        </text>
      </g>
    </svg>
  );
}

/** The screen turned to the customer: what is offered in large type and plain words; what it costs the shop is not there. */
export function CustomerView({ onClose }: { onClose: () => void }) {
  const { job } = useJob();
  const { language, currency } = job;
  const words = PAPER_WORDS[language];
  const isExempt = job.customer.taxExempt !== null;
  const options = job.slip.filter((one): one is Shown => one.ok);
  const today = job.slots.reduce((sum, slot) => sum + (slot.module?.capacityMiB ?? 0), 0);
  const machine = `${job.machine.maker} ${job.machine.name}`.trim();
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 bg-ground text-ink overflow-auto px-8 py-6 text-xl"
        >
          <div className="max-w-6xl mx-auto grid gap-5">
            <div className="flex items-baseline justify-between gap-4">
              <Dialog.Title className="text-3xl">{machine === '' ? words.yourMachine : machine}</Dialog.Title>
              <Button onClick={onClose}>Back to work</Button>
            </div>
            {options.length === 0 ? (
              <p>Nothing is chosen yet: put plans on the slip first.</p>
            ) : (
              <>
                <OfferedLadder options={options} todayMiB={today} currency={currency} language={language} />
                <ol
                  className="grid gap-6 items-start"
                  style={{ gridTemplateColumns: `repeat(${options.length}, minmax(0, 1fr))` }}
                >
                  {options.map(({ place, option }) => (
                    <li key={place} className="bg-sheet border border-line p-4 grid gap-2">
                      <h3 className="text-2xl flex items-center gap-3">
                        <span className="bg-act text-on-act rounded-full size-9 text-center leading-9">{place}</span>
                        {capacityIn(language, option.totalMiB)}
                      </h3>
                      <p className="text-3xl font-bold">{moneyIn(language, option.totalCents, currency)}</p>
                      <p className="text-base text-ink-2">{words.fitted(isExempt)}</p>
                      {option.savingCents !== null && (
                        <p className="text-good font-semibold">
                          {words.saving(
                            moneyIn(language, option.savingCents, currency),
                            null,
                            job.pricing.taxWay === 'added',
                          )}
                        </p>
                      )}
                      <p>{option.oldModules}</p>
                      <p>{words.leadDays(option.leadDays)}</p>
                      {option.warnings.map((warning) => (
                        <p key={warning} className="text-base">
                          △ {warning}
                        </p>
                      ))}
                      <BoardStrip title={words.after} board={option.after} language={language} />
                    </li>
                  ))}
                </ol>
              </>
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
