import type { CustomerOption, CustomerQuote } from '@/core/quoting/customer-view';
import { dayText } from '@/core/quoting/day-text';
import { figureNotes, figureRows, savingSentence } from '@/core/quoting/figure-rows';
import type { Answer, Question, Standing } from '@/core/quoting/quote-answer';
import { capacityIn, languageOfQuote, localeOf, moneyIn, wordsOf } from '@/core/quoting/words/in-language';
import { buttonLook } from '../kit/button';
import { AcceptForm, type Choosable, WordsForm } from './answer-form';
import { BoardStrip } from './board-strip';
import { CodeCheck } from './code-check';

function Option({ option, quote }: { option: CustomerOption; quote: CustomerQuote }) {
  const { suggested, options, currency } = quote;
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  const isSuggested = suggested === option.place && options.length > 1;
  const saving = savingSentence(quote, option);
  return (
    <article
      className={`bg-sheet border ${isSuggested ? 'border-act border-t-8' : 'border-edge border-t-8'} px-5 pt-3 pb-4 grid gap-3 content-start break-inside-avoid`}
    >
      <header>
        <p className="text-sm font-medium">
          {options.length > 1 ? words.option(option.place) : words.ourOffer}
          {isSuggested && <span className="text-act font-semibold"> · {words.suggested}</span>}
        </p>
        <h2 className="text-2xl leading-8">{words.ofMemory(capacityIn(language, option.totalMiB))}</h2>
        <p className="text-ink-2">
          {option.addedMiB > 0 ? words.moreThanToday(capacityIn(language, option.addedMiB)) : words.asToday}
        </p>
      </header>
      <div className="grid grid-cols-2 gap-4">
        <BoardStrip title={words.now} board={option.before} language={language} />
        <BoardStrip title={words.after} board={option.after} language={language} />
      </div>
      <p>{option.oldModules}</p>
      <table className="w-full text-sm">
        <caption className="sr-only">{words.costsOf(option.place)}</caption>
        <tbody>
          {option.lines.map((line) => (
            <tr key={`${line.kind} ${line.text}`} className="border-b border-line align-top">
              <th scope="row" className="py-1 pr-3 text-left font-normal break-words">
                {line.quantity > 1 && `${line.quantity} × `}
                {line.text}
                {line.origin !== null && words.origin[line.origin]}
              </th>
              <td className="py-1 text-right whitespace-nowrap">{moneyIn(language, line.totalCents, currency)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          {figureRows(quote, option).map(({ words: name, amount, what }) => (
            <tr key={name} className={what === 'total' ? 'text-lg font-bold' : 'text-ink-2'}>
              <th scope="row" className={`text-left ${what === 'total' ? 'pt-2' : 'font-normal'}`}>
                {name}
              </th>
              <td className={`text-right whitespace-nowrap ${what === 'total' ? 'pt-2' : ''}`}>{amount}</td>
            </tr>
          ))}
        </tfoot>
      </table>
      {figureNotes(quote, option).map((note) => (
        <p key={note} className="text-sm">
          {note}
        </p>
      ))}
      {saving !== null && <p className="font-semibold text-good">{saving}</p>}
      {option.warnings.length > 0 && (
        <div>
          <h3 className="text-base">{words.mind}</h3>
          <ul className="list-disc pl-5">
            {option.warnings.map((warning) => (
              <li key={warning}>{warning}</li>
            ))}
          </ul>
        </div>
      )}
      <p className="text-sm text-ink-2">{words.leadDays(option.leadDays)}</p>
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
  /** the shop's mark; null: it has none */
  logoPath: string | null;
}

/** How the quote stands, where there is something to say of it. */
function StandingNote({ quote, standing, answer }: Pick<CustomerQuotePageProps, 'quote' | 'standing' | 'answer'>) {
  const language = languageOfQuote(quote);
  const { page, option: optionWords } = wordsOf(quote);
  const day = (text: string) => dayText(text, localeOf(quote));
  const note = (edge: string, words: string) => (
    <p role="status" className={`border-l-4 ${edge} bg-sheet px-4 py-2 font-medium`}>
      {words}
    </p>
  );
  if (standing === 'replaced') return note('border-mind', page.replaced);
  if (answer?.kind === 'accepted') {
    const option = quote.options.find(({ place }) => place === answer.place);
    const what =
      option === undefined
        ? optionWords(answer.place)
        : page.acceptedWhat(
            answer.place,
            capacityIn(language, option.totalMiB),
            moneyIn(language, option.totalCents, quote.currency),
          );
    return note('border-good', `✓ ${page.accepted(what, answer.signed, day(answer.on))}`);
  }
  if (standing === 'lapsed') return note('border-mind', page.heldUntil(day(quote.validUntil)));
  if (answer?.kind === 'declined') return note('border-edge', page.declined(day(answer.on), day(quote.validUntil)));
  return null;
}

const choosable = ({ language, suggested, currency, options }: CustomerQuote): Choosable => ({
  ...(language !== undefined && { language }),
  suggested,
  currency,
  options: options.map(({ place, totalMiB, totalCents, statements = [] }) => ({
    ...{ place, totalMiB, totalCents, statements },
  })),
});

/** The quote as the customer reads it: what they have, what they will have, what each option costs and gains. */
export function CustomerQuotePage(props: CustomerQuotePageProps) {
  const { quote, standing, answer, questions, code, pdfPath, jsonPath, answerPath, logoPath } = props;
  const { shop, machine, customer, options } = quote;
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  const { page } = words;
  const day = (text: string) => dayText(text, localeOf(quote));
  const isOpen = standing === 'open' || standing === 'declined';
  return (
    <main id="work" lang={language} className="max-w-6xl mx-auto px-5 py-6 grid gap-5">
      <header className="flex flex-wrap justify-between gap-4 items-start">
        <div className="flex gap-3 items-start">
          {/* biome-ignore lint/performance/noImgElement: the shop's own file, as it is */}
          {logoPath !== null && <img src={logoPath} alt="" className="h-11 max-w-40 object-contain" />}
          <div>
            <p className="font-bold wide">{shop.name}</p>
            <p className="text-sm text-ink-2">{shop.contact}</p>
          </div>
        </div>
        <div className="text-sm sm:text-right">
          <p className="font-semibold">{words.quote(quote.number)}</p>
          <p className="text-ink-2">{day(quote.sentOn)}</p>
        </div>
      </header>
      <StandingNote quote={quote} standing={standing} answer={answer} />
      <div>
        <h1 className="text-2xl break-words">{words.title(machine.name)}</h1>
        <p className="break-words">
          {words.forCustomer(customer.name)}{' '}
          {words.hasToday(machine.totalMiB === 0 ? null : capacityIn(language, machine.totalMiB))}{' '}
          <strong>{words.holdsUntil(day(quote.validUntil))}</strong>
        </p>
        {quote.note !== undefined && <p className="mt-2 whitespace-pre-line break-words">{quote.note}</p>}
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
          {words.samePdf}
        </a>
      </p>
      <div className="no-print grid gap-3">
        {isOpen && <AcceptForm quote={choosable(quote)} path={answerPath} />}
        {questions.length > 0 && (
          <section aria-label={page.question} className="grid gap-2">
            {questions.map(({ id, words: asked, on, reply }) => (
              <div key={id} className="bg-sheet border-l-4 border-edge px-4 py-2">
                <p>
                  <span className="text-sm text-ink-2">{page.youAsked(day(on))}</span> {asked}
                </p>
                {reply !== null && (
                  <p className="mt-1">
                    <span className="text-sm text-ink-2">{page.weAnswered(day(reply.on))}</span> {reply.words}
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
            title={page.ask}
            label={page.question}
            press={page.sendQuestion}
            sending={page.sending}
            thanks={page.questionSent}
          />
          {standing === 'open' && (
            <WordsForm
              path={answerPath}
              kind="decline"
              title={page.decline}
              label={page.whyNot}
              press={page.sayNo}
              sending={page.sending}
              thanks=""
              wordless
            />
          )}
        </div>
      </div>
      <div className="no-print">
        <CodeCheck code={code} jsonPath={jsonPath} language={language} />
      </div>
      <footer className="text-sm text-ink-2">
        {page.footer(shop.contact)} {words.prices(quote.taxWay === 'added' && quote.exempt === undefined)}
      </footer>
    </main>
  );
}
