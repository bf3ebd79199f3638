import { useTranslations } from '#translations';
import type { Language } from '@/core/language';
import { eachCents } from '@/core/pricing/each-cents';
import type { CustomerOption, CustomerScreen } from '@/core/quoting/customer-view';
import { capacityIn, moneyIn } from '@/core/quoting/words/in-language';
import { PAPER_WORDS } from '@/core/quoting/words/papers-in';
import { buttonLook } from '../kit/button';
import { BackKey } from './back-key';
import { BoardStrip } from './board-strip';

const WIDTH = 640;
const STEP = 74;

/** The ladder reduced to what is offered and today's machine: one step for each total, the price at its place. */
function OfferedLadder({
  options,
  todayMiB,
  currency,
  language,
}: {
  options: readonly CustomerOption[];
  todayMiB: number;
  currency: string;
  language: Language;
}) {
  const { now } = PAPER_WORDS[language];
  const capacityText = (mib: number) => capacityIn(language, mib);
  const moneyText = (minor: number) => moneyIn(language, minor, currency);
  const totals = [...new Set(options.map(({ totalMiB }) => totalMiB))].sort((a, b) => b - a);
  const dearest = Math.max(...options.map(({ totalCents }) => totalCents), 1);
  const height = totals.length * STEP + 44;
  const words = options.map(
    ({ place, totalMiB, totalCents }) =>
      `${place}: ${PAPER_WORDS[language].page.forPrice(capacityText(totalMiB), moneyText(totalCents))}`,
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
            .filter(({ totalMiB }) => totalMiB === total)
            .map(({ place, totalCents }) => {
              const x = 150 + (totalCents / dearest) * (WIDTH - 290);
              return (
                <g key={place} transform={`translate(${x},32)`}>
                  <circle r="19" className="fill-act" />
                  <text textAnchor="middle" y="8" className="fill-on-act text-[23px] font-bold">
                    {place}
                  </text>
                  <text x="27" y="8" className="fill-ink text-[23px] font-semibold">
                    {moneyText(totalCents)}
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

/** The screen turned to the customer: what is offered in large type and plain words; nothing of the shop's is in it. */
export function CustomerScreenPage(screen: CustomerScreen) {
  const t = useTranslations('customer');
  const { jobId, language, currency, machine, todayMiB, isExempt, isTaxAdded, options } = screen;
  const words = PAPER_WORDS[language];
  const back = `/jobs/${jobId}/options`;
  return (
    <main id="work" lang={language} className="min-h-dvh bg-ground text-ink px-8 py-6 text-xl">
      <BackKey to={back} />
      <div className="max-w-6xl mx-auto grid gap-5">
        <div className="flex items-baseline justify-between gap-4">
          <h1 className="text-3xl">{machine === '' ? words.yourMachine : machine}</h1>
          {/* A whole new page: the staff's data is not in this one. */}
          <a href={back} className={buttonLook('plain')} lang="en">
            {t('back')}
          </a>
        </div>
        {options.length === 0 ? (
          <p lang="en">{t('none')}</p>
        ) : (
          <>
            <OfferedLadder options={options} todayMiB={todayMiB} currency={currency} language={language} />
            <ol
              className="grid gap-6 items-start"
              style={{ gridTemplateColumns: `repeat(${options.length}, minmax(0, 1fr))` }}
            >
              {options.map((option) => (
                <li key={option.place} className="bg-sheet border border-line p-4 grid gap-2">
                  <h2 className="text-2xl flex items-center gap-3">
                    <span className="bg-act text-on-act rounded-full size-9 text-center leading-9">{option.place}</span>
                    {capacityIn(language, option.totalMiB)}
                  </h2>
                  <p className="text-3xl font-bold">{moneyIn(language, option.totalCents, currency)}</p>
                  {option.machines !== undefined && (
                    <p className="text-base">
                      {words.eachOf(option.machines)}:{' '}
                      {moneyIn(language, eachCents(option.totalCents, option.machines), currency)}
                    </p>
                  )}
                  <p className="text-base text-ink-2">{words.fitted(isExempt, option.partsOnly === true)}</p>
                  {option.savingCents !== null && (
                    <p className="text-good font-semibold">
                      {words.saving(moneyIn(language, option.savingCents, currency), null, isTaxAdded)}
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
    </main>
  );
}
