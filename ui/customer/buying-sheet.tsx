import { useTranslations } from '#translations';
import { buyLines } from '@/core/quoting/words/buy-lines';
import { BUY_WORDS } from '@/core/quoting/words/buy-words';
import { PAPER_WORDS } from '@/core/quoting/words/papers-in';
import type { BuyingSheet } from '@/service/job/options/what-to-buy';
import { buttonLook } from '../kit/button';
import { BackKey } from './back-key';
import { PrintButton } from './print-button';

/** What to look for when buying memory for a machine, on a sheet to take away: no offers, no prices. */
export function BuyingSheetPage({ jobId, language, shop, contact, machine, told }: BuyingSheet) {
  const t = useTranslations('customer');
  const words = BUY_WORDS[language];
  const back = `/jobs/${jobId}/options`;
  const { lines, avoid } = told === null ? { lines: [], avoid: [] } : buyLines(language, told);
  return (
    <main id="work" lang={language} className="min-h-dvh bg-ground text-ink px-6 py-6 print:p-0 print:bg-sheet">
      <BackKey to={back} />
      <div className="max-w-3xl mx-auto grid gap-4">
        <div className="flex flex-wrap gap-2 justify-end print:hidden" lang="">
          <PrintButton>{t('print')}</PrintButton>
          {/* A whole new page: the staff's data is not in this one. */}
          <a href={back} className={buttonLook('plain')}>
            {t('back')}
          </a>
        </div>
        {told === null ? (
          <p lang="">{t('gaps')}</p>
        ) : (
          <article className="bg-sheet border border-line print:border-0 p-5 grid gap-4">
            <header className="grid gap-1">
              <h1 className="text-2xl">{words.title(machine === '' ? PAPER_WORDS[language].yourMachine : machine)}</h1>
              <p className="text-ink-2">{words.intro}</p>
            </header>
            <dl className="grid grid-cols-[max-content_minmax(0,1fr)] gap-x-6 gap-y-2 max-[620px]:grid-cols-1 max-[620px]:gap-y-0">
              {lines.map(({ name, texts }) => (
                <div key={name} className="contents">
                  <dt className="text-ink-2 max-[620px]:mt-2">{name}</dt>
                  <dd className="font-semibold">
                    {texts.map((text) => (
                      <p key={text}>{text}</p>
                    ))}
                  </dd>
                </div>
              ))}
            </dl>
            <section className="border-l-4 border-mind pl-3">
              <h2 className="text-base">{words.avoid}</h2>
              <ul>
                {avoid.map((text) => (
                  <li key={text}>
                    <span aria-hidden="true">✗ </span>
                    {text}
                  </li>
                ))}
              </ul>
            </section>
            <footer className="border-t border-line pt-2 text-sm text-ink-2">
              <p>{words.after}</p>
              <p>
                {shop} · {contact}
              </p>
            </footer>
          </article>
        )}
      </div>
    </main>
  );
}
