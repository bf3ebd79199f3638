import type { ReactNode } from 'react';
import { capacityText } from '@/core/memory/capacity';
import { moneyText } from '@/core/pricing/money-text';
import type { CustomerOption, CustomerQuote } from '@/core/quoting/customer-view';
import { dayText } from '@/core/quoting/day-text';
import { ORIGIN_WORDS } from '@/core/quoting/origin-words';
import type { Answer, Question, Standing } from '@/core/quoting/quote-answer';
import { buttonLook } from '../kit/button';
import { AcceptForm, WordsForm } from './answer-form';
import { BoardStrip } from './board-strip';
import { CodeCheck } from './code-check';
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
  standing: Standing;
  /** what the customer said to it last */
  answer: Answer | null;
  /** what the customer asked, the earliest first */
  questions: readonly Question[];
  /** what tells this version from any other */
  code: string;
  pdfPath: string;
  jsonPath: string;
  answerPath: string;
}

/** How the quote stands, where there is something to say of it. */
function StandingNote({ quote, standing, answer }: Pick<CustomerQuotePageProps, 'quote' | 'standing' | 'answer'>) {
  const note = (edge: string, children: ReactNode) => (
    <p role="status" className={`border-l-4 ${edge} bg-sheet px-4 py-2 font-medium`}>
      {children}
    </p>
  );
  if (standing === 'replaced') return note('border-mind', 'A newer quote replaces this one. Ask us for its link.');
  if (answer?.kind === 'accepted') {
    const option = quote.options.find(({ place }) => place === answer.place);
    return note(
      'border-good',
      <>
        ✓ Option {answer.place}
        {option !== undefined &&
          `, ${capacityText(option.totalMiB)} for ${moneyText(option.totalCents, quote.currency)},`}{' '}
        was accepted by {answer.signed} on {dayText(answer.on)}. Thank you: we will be in touch when the parts are here.
      </>,
    );
  }
  if (standing === 'lapsed')
    return note('border-mind', <>These prices held until {dayText(quote.validUntil)}. Ask us for today’s.</>);
  if (answer?.kind === 'declined')
    return note(
      'border-edge',
      <>
        You said no to this on {dayText(answer.on)}. Until {dayText(quote.validUntil)} you can still say yes below.
      </>,
    );
  return null;
}

/** The quote as the customer reads it: what they have, what they will have, what each option costs and gains. */
export function CustomerQuotePage(props: CustomerQuotePageProps) {
  const { quote, standing, answer, questions, code, pdfPath, jsonPath, answerPath } = props;
  const { shop, machine, customer, options } = quote;
  const isOpen = standing === 'open' || standing === 'declined';
  return (
    <main id="work" className="max-w-6xl mx-auto px-5 py-6 grid gap-5">
      <header className="flex flex-wrap justify-between gap-4 items-start">
        <div>
          <p className="font-bold wide">{shop.name}</p>
          <p className="text-sm text-ink-2">{shop.contact}</p>
        </div>
        <div className="text-sm sm:text-right">
          <p className="font-semibold">Quote {quote.number}</p>
          <p className="text-ink-2">{dayText(quote.sentOn)}</p>
        </div>
      </header>
      <StandingNote quote={quote} standing={standing} answer={answer} />
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
        <a href={pdfPath} className={buttonLook('plain', 'min-h-11')}>
          The same as a PDF
        </a>
      </p>
      <div className="no-print grid gap-3">
        {isOpen && <AcceptForm quote={quote} path={answerPath} />}
        {questions.length > 0 && (
          <section aria-label="What you asked" className="grid gap-2">
            {questions.map(({ id, words, on, reply }) => (
              <div key={id} className="bg-sheet border-l-4 border-edge px-4 py-2">
                <p>
                  <span className="text-sm text-ink-2">You asked on {dayText(on)}:</span> {words}
                </p>
                {reply !== null && (
                  <p className="mt-1">
                    <span className="text-sm text-ink-2">We answered on {dayText(reply.on)}:</span> {reply.words}
                  </p>
                )}
              </div>
            ))}
          </section>
        )}
        <div className="border-t border-line">
          <WordsForm
            path={answerPath}
            kind="ask"
            title="Ask us something"
            label="Your question"
            press="Send the question"
            thanks="Sent. Our answer will stand here."
          />
          {standing === 'open' && (
            <WordsForm
              path={answerPath}
              kind="decline"
              title="No, thank you"
              label="Why not? It helps us; you need not say"
              press="Say no"
              thanks=""
              wordless
            />
          )}
        </div>
      </div>
      <div className="no-print">
        <CodeCheck code={code} jsonPath={jsonPath} />
      </div>
      <footer className="text-sm text-ink-2">
        You can also ring us or come by and name the option: {shop.contact}. All prices are with tax and with fitting.
      </footer>
    </main>
  );
}
