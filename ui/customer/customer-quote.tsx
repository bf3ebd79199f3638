import { capacityText } from '@/core/memory/capacity';
import { moneyText } from '@/core/pricing/money-text';
import type { CustomerOption, CustomerQuote } from '@/core/quoting/customer-view';
import { dayText } from '@/core/quoting/day-text';
import { ORIGIN_WORDS } from '@/core/quoting/origin-words';
import { buttonLook } from '../kit/button';
import { BoardStrip } from './board-strip';
import { leadWords } from './lead-words';

function Option({ option, quote }: { option: CustomerOption; quote: CustomerQuote }) {
  const { currency, suggested, options } = quote;
  const isSuggested = suggested === option.place && options.length > 1;
  return (
    <article
      className={`bg-sheet border ${isSuggested ? 'border-act border-t-8' : 'border-edge border-t-8'} px-5 pt-3 pb-4 grid gap-3 content-start break-inside-avoid`}
    >
      <header>
        <p className="text-sm font-medium">
          {options.length > 1 ? `Option ${option.place}` : 'Our offer'}
          {isSuggested && <span className="text-act font-semibold"> · we suggest this one</span>}
        </p>
        <h2 className="text-2xl leading-8">{capacityText(option.totalMiB)} of memory</h2>
        <p className="text-ink-2">
          {option.addedMiB > 0 ? `${capacityText(option.addedMiB)} more than today` : 'As much as today, but quicker'}
        </p>
      </header>
      <div className="grid grid-cols-2 gap-4">
        <BoardStrip title="Now" board={option.before} />
        <BoardStrip title="Then" board={option.after} />
      </div>
      <p>{option.oldModules}</p>
      <table className="w-full text-sm">
        <caption className="sr-only">What option {option.place} costs</caption>
        <tbody>
          {option.lines.map((line) => (
            <tr key={line.text} className="border-b border-line align-top">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                {line.quantity > 1 && `${line.quantity} × `}
                {line.text}
                {line.origin !== null && ORIGIN_WORDS[line.origin]}
              </th>
              <td className="py-1 text-right whitespace-nowrap">{moneyText(line.totalCents, currency)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr className="text-lg font-bold">
            <th scope="row" className="pt-2 text-left">
              Total
            </th>
            <td className="pt-2 text-right whitespace-nowrap">{moneyText(option.totalCents, currency)}</td>
          </tr>
          <tr className="text-ink-2">
            <th scope="row" className="text-left font-normal">
              of which {quote.taxBp / 100} % tax
            </th>
            <td className="text-right">{moneyText(option.taxCents, currency)}</td>
          </tr>
        </tfoot>
      </table>
      {option.savingCents !== null && (
        <p className="font-semibold text-good">
          You save {moneyText(option.savingCents, currency)}
          {option.savingPercent !== null && ` (${option.savingPercent} %)`} against the maker’s own parts for the same
          amount.
        </p>
      )}
      {option.warnings.length > 0 && (
        <div>
          <h3 className="text-base">Please mind</h3>
          <ul className="list-disc pl-5">
            {option.warnings.map((warning) => (
              <li key={warning}>{warning}</li>
            ))}
          </ul>
        </div>
      )}
      <p className="text-sm text-ink-2">{leadWords(option.leadDays)}</p>
    </article>
  );
}

interface CustomerQuotePageProps {
  quote: CustomerQuote;
  replaced: boolean;
  lapsed: boolean;
  pdfPath: string;
}

/** The quote as the customer reads it: what they have, what they will have, what each option costs and gains. */
export function CustomerQuotePage({ quote, replaced, lapsed, pdfPath }: CustomerQuotePageProps) {
  const { shop, machine, customer, options } = quote;
  return (
    <main id="work" className="max-w-6xl mx-auto px-5 py-6 grid gap-5">
      <header className="flex flex-wrap justify-between gap-4 items-start">
        <div>
          <p className="font-bold wide">{shop.name}</p>
          <p className="text-sm text-ink-2">{shop.contact}</p>
        </div>
        <div className="text-right text-sm">
          <p className="font-semibold">Quote {quote.number}</p>
          <p className="text-ink-2">{dayText(quote.sentOn)}</p>
        </div>
      </header>
      {replaced && (
        <p role="status" className="border-l-4 border-mind bg-sheet px-4 py-2 font-medium">
          A newer quote replaces this one. Ask us for its link.
        </p>
      )}
      {lapsed && !replaced && (
        <p role="status" className="border-l-4 border-mind bg-sheet px-4 py-2 font-medium">
          These prices held until {dayText(quote.validUntil)}. Ask us for today’s.
        </p>
      )}
      <div>
        <h1 className="text-2xl">More memory for your {machine.name}</h1>
        <p>
          For {customer.name}. It has {machine.totalMiB === 0 ? 'no memory' : capacityText(machine.totalMiB)} today.
          These prices hold until <strong>{dayText(quote.validUntil)}</strong>.
        </p>
      </div>
      <div
        className={`grid gap-4 items-stretch ${options.length > 1 ? 'md:grid-cols-2' : 'max-w-xl'} ${options.length > 2 ? 'lg:grid-cols-3' : ''}`}
      >
        {options.map((option) => (
          <Option key={option.place} option={option} quote={quote} />
        ))}
      </div>
      <p className="no-print">
        <a href={pdfPath} className={buttonLook('act')}>
          The same as a PDF
        </a>
      </p>
      <footer className="text-sm text-ink-2">
        To say yes, ring us or come by and name the option: {shop.contact}. All prices are with tax and with fitting.
      </footer>
    </main>
  );
}
