'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';

export interface ShownStep {
  step: string;
  standing: 'done' | 'skipped' | 'open';
}

const WORDS = {
  prices: {
    title: 'firstHour.prices.title',
    why: 'firstHour.prices.why',
    href: '/settings#prices',
    go: 'firstHour.prices.action',
  },
  texts: {
    title: 'firstHour.texts.title',
    why: 'firstHour.texts.why',
    href: '/settings#texts',
    go: 'firstHour.texts.action',
  },
  sellers: {
    title: 'firstHour.sellers.title',
    why: 'firstHour.sellers.why',
    href: '/offers#sellers',
    go: 'firstHour.sellers.action',
  },
  list: {
    title: 'firstHour.offers.title',
    why: 'firstHour.offers.why',
    href: '/offers#sellers',
    go: 'firstHour.offers.action',
  },
  machine: {
    title: 'firstHour.models.title',
    why: 'firstHour.models.why',
    href: '/models',
    go: 'firstHour.models.action',
  },
  mail: {
    title: 'firstHour.mail.title',
    why: 'firstHour.mail.why',
    href: '/settings#papers',
    go: 'firstHour.mail.action',
  },
  staff: {
    title: 'firstHour.staff.title',
    why: 'firstHour.staff.why',
    href: '/people',
    go: 'firstHour.staff.action',
  },
  address: {
    title: 'firstHour.address.title',
    why: 'firstHour.address.why',
    href: '/settings#address',
    go: 'firstHour.address.action',
  },
} as const;
const isStep = (step: string): step is keyof typeof WORDS => Object.hasOwn(WORDS, step);

const SIGNS = { done: '✓', skipped: '–', open: '○' } as const;
const SAID = { done: 'firstHour.done', skipped: 'firstHour.notNeeded', open: 'firstHour.open' } as const;

/** The first hour of a new shop: what to set up, why, and the way there. Any of it can wait. */
export function FirstSteps({ steps }: { steps: readonly ShownStep[] }) {
  const t = useTranslations('jobs');
  const { busy, sentence, save } = useSave();
  const skipped = steps.filter(({ standing }) => standing === 'skipped').map(({ step }) => step);
  const put = (list: { dismissed: boolean; skipped: string[] }) => void save('PUT', '/api/first-hour', list);
  const finished = steps.filter(({ standing }) => standing !== 'open').length;
  return (
    <section aria-label={t('firstHour.label')} className="border-2 border-edge bg-sheet rounded-notch">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1 px-4 py-2 border-b border-line">
        <h2 className="text-base">
          {t.rich('firstHour.head', {
            e0: () => (
              <span className="font-normal text-sm text-ink-2">
                {t('firstHour.progress', { finished, steps: steps.length })}
              </span>
            ),
          })}
        </h2>
        <Button weight="quiet" disabled={busy} onClick={() => put({ dismissed: true, skipped })}>
          {t('firstHour.hide')}
        </Button>
      </div>
      <ol className="divide-y divide-line">
        {steps.map(({ step, standing }) => {
          if (!isStep(step)) return null;
          const words = WORDS[step];
          const title = t(words.title);
          return (
            <li
              key={step}
              className="grid grid-cols-[1.5rem_minmax(0,1fr)_auto] gap-x-3 items-center px-4 py-2 max-[640px]:grid-cols-[1.5rem_minmax(0,1fr)]"
            >
              <span aria-hidden="true" className={`font-bold ${standing === 'done' ? 'text-good' : 'text-ink-2'}`}>
                {SIGNS[standing]}
              </span>
              <span>
                <span className="font-semibold">{title}</span>{' '}
                <span className="text-sm text-ink-2">({t(SAID[standing])})</span>
                {standing === 'open' && <span className="block text-sm text-ink-2">{t(words.why)}</span>}
              </span>
              {standing !== 'done' && (
                <span className="flex items-center gap-3 max-[640px]:col-start-2 max-[640px]:mt-1">
                  <Link href={words.href} className="text-sm font-medium underline underline-offset-4">
                    {t(words.go)}
                  </Link>
                  <Button
                    weight="quiet"
                    disabled={busy}
                    aria-label={
                      standing === 'open' ? t('firstHour.skipOne', { title }) : t('firstHour.showOne', { title })
                    }
                    onClick={() =>
                      put({
                        dismissed: false,
                        skipped: standing === 'open' ? [...skipped, step] : skipped.filter((one) => one !== step),
                      })
                    }
                  >
                    {standing === 'open' ? t('firstHour.skip') : t('firstHour.show')}
                  </Button>
                </span>
              )}
            </li>
          );
        })}
      </ol>
      <div className="px-4 py-2 border-t border-line grid gap-1">
        <p className="text-sm text-ink-2">
          {t.rich('firstHour.moving', {
            e0: (words) => (
              <Link href="/moving-in" className="underline underline-offset-4">
                {words}
              </Link>
            ),
          })}
        </p>
        <Fault sentence={sentence} />
      </div>
    </section>
  );
}
