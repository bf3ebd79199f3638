'use client';
import { capacityText } from '@/core/memory/capacity';
import { moneyText } from '@/core/pricing/money-text';
import type { QuoteOption } from '@/core/quoting/snapshot';
import { LANE_WORDS } from '../options/lane-words';

interface OptionColumnProps {
  option: QuoteOption;
  currency: string;
  taxBp: number;
  suggested: boolean;
  /** only for staff: cost and margin */
  children?: React.ReactNode;
}

/** Days until parts are here, in words. */
export function leadText(days: number): string {
  return days === 0 ? 'in the shop now' : days === 1 ? 'here in 1 day' : `here in ${days} days`;
}

/** One option of a quote as it will read on paper. */
export function OptionColumn({ option, currency, taxBp, suggested, children }: OptionColumnProps) {
  return (
    <article
      className={`bg-sheet border-t-4 ${suggested ? 'border-act' : 'border-edge'} px-4 pt-2.5 pb-3 flex flex-col gap-2 min-w-0`}
      aria-label={`Option ${option.place}`}
    >
      <header>
        <p className="text-sm text-ink-2">
          Option {option.place}, {LANE_WORDS[option.lane]}
          {suggested && <strong className="text-act"> · suggested</strong>}
        </p>
        <h2 className="text-xl">{capacityText(option.totalMiB)}</h2>
        <p className="text-sm text-ink-2">
          {option.rateMTs} MT/s, {option.channelsText} · {leadText(option.leadDays)}
        </p>
      </header>
      <table className="w-full text-sm">
        <tbody>
          {option.lines.map((line) => (
            <tr key={line.text} className="border-b border-line align-top">
              <td className="py-1 pr-2">
                {line.quantity > 1 && `${line.quantity} × `}
                {line.text}
                {line.origin === 'original' && <span className="text-ink-2"> (original)</span>}
                {line.origin === 'used' && <span className="text-ink-2"> (used, tested)</span>}
              </td>
              <td className="py-1 text-right whitespace-nowrap">{moneyText(line.totalCents, currency)}</td>
            </tr>
          ))}
          <tr>
            <td className="pt-1.5 font-bold text-base">Total</td>
            <td className="pt-1.5 font-bold text-base text-right whitespace-nowrap">
              {moneyText(option.totalCents, currency)}
            </td>
          </tr>
          <tr className="text-ink-2">
            <td>of which {taxBp / 100} % tax</td>
            <td className="text-right whitespace-nowrap">{moneyText(option.taxCents, currency)}</td>
          </tr>
        </tbody>
      </table>
      {option.savingCents !== null && (
        <p className="text-sm font-semibold text-good">
          Saves {moneyText(option.savingCents, currency)}
          {option.savingPercent !== null && ` (${option.savingPercent} %)`} against the maker’s parts
        </p>
      )}
      <p className="text-sm">{option.oldModules}</p>
      {option.warnings.length > 0 && (
        <ul className="text-sm grid gap-1">
          {option.warnings.map((warning) => (
            <li key={warning} className="flex gap-2">
              <span aria-hidden="true" className="text-mind font-bold">
                △
              </span>
              {warning}
            </li>
          ))}
        </ul>
      )}
      {children}
    </article>
  );
}
