'use client';
import Link from 'next/link';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';

export interface FirstHourStep {
  step: string;
  standing: 'done' | 'skipped' | 'open';
}

const WORDS: Record<string, { title: string; why: string; href: string; go: string }> = {
  prices: {
    title: 'Prices and work',
    why: 'Mark-up, rounding and what fitting costs. Every quote is made of them.',
    href: '/settings#prices',
    go: 'Set prices',
  },
  texts: {
    title: 'What customers read',
    why: 'Sentences that customers agree to, such as a total above what the maker states. A quote that needs one goes out once you approved it.',
    href: '/settings#texts',
    go: 'Approve the texts',
  },
  sellers: {
    title: 'Sellers',
    why: 'Whom you buy from, with their tax, shipping and delivery time. Costs are counted by these.',
    href: '/offers#sellers',
    go: 'Add a seller',
  },
  list: {
    title: 'A price list, or some offers',
    why: 'Without offers there is nothing to quote. A list as your seller sends it is enough.',
    href: '/offers#sellers',
    go: 'Import a list',
  },
  machine: {
    title: 'A model or a first job',
    why: 'What a model takes is known for every machine of it that comes in later.',
    href: '/models',
    go: 'Add a model',
  },
  mail: {
    title: 'Mail',
    why: 'Quotes and orders go out by mail from this address. Until then you print them or copy the link.',
    href: '/settings#papers',
    go: 'Set up mail',
  },
  staff: {
    title: 'Staff',
    why: 'Everybody has an account, so that it is known who promised what.',
    href: '/people',
    go: 'Add a person',
  },
  address: {
    title: 'Address for customers',
    why: 'Links in quotes lead there. Without it no quote is mailed.',
    href: '/settings#address',
    go: 'Set the address',
  },
};

const SIGNS = { done: '✓', skipped: '–', open: '○' } as const;
const SAID = { done: 'done', skipped: 'not needed', open: 'open' } as const;

/** The first hour of a new shop: what to set up, why, and the way there. Any of it can wait. */
export function FirstHour({ steps }: { steps: readonly FirstHourStep[] }) {
  const { busy, sentence, save } = useSave();
  const skipped = steps.filter(({ standing }) => standing === 'skipped').map(({ step }) => step);
  const put = (list: { dismissed: boolean; skipped: string[] }) => void save('PUT', '/api/first-hour', list);
  const finished = steps.filter(({ standing }) => standing !== 'open').length;
  return (
    <section aria-label="First hour" className="border-2 border-edge bg-sheet rounded-notch">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1 px-4 py-2 border-b border-line">
        <h2 className="text-base">
          First hour{' '}
          <span className="font-normal text-sm text-ink-2">
            {finished} of {steps.length} done. Any step can wait.
          </span>
        </h2>
        <Button weight="quiet" disabled={busy} onClick={() => put({ dismissed: true, skipped })}>
          Hide this list
        </Button>
      </div>
      <ol className="divide-y divide-line">
        {steps.map(({ step, standing }) => {
          const words = WORDS[step];
          if (words === undefined) return null;
          return (
            <li
              key={step}
              className="grid grid-cols-[1.5rem_minmax(0,1fr)_auto] gap-x-3 items-center px-4 py-2 max-[640px]:grid-cols-[1.5rem_minmax(0,1fr)]"
            >
              <span aria-hidden="true" className={`font-bold ${standing === 'done' ? 'text-good' : 'text-ink-2'}`}>
                {SIGNS[standing]}
              </span>
              <span>
                <span className="font-semibold">{words.title}</span>{' '}
                <span className="text-sm text-ink-2">({SAID[standing]})</span>
                {standing === 'open' && <span className="block text-sm text-ink-2">{words.why}</span>}
              </span>
              {standing !== 'done' && (
                <span className="flex items-center gap-3 max-[640px]:col-start-2 max-[640px]:mt-1">
                  <Link href={words.href} className="text-sm font-medium underline underline-offset-4">
                    {words.go}
                  </Link>
                  <Button
                    weight="quiet"
                    disabled={busy}
                    aria-label={standing === 'open' ? `Skip: ${words.title}` : `Show again: ${words.title}`}
                    onClick={() =>
                      put({
                        dismissed: false,
                        skipped: standing === 'open' ? [...skipped, step] : skipped.filter((one) => one !== step),
                      })
                    }
                  >
                    {standing === 'open' ? 'Skip' : 'Show again'}
                  </Button>
                </span>
              )}
            </li>
          );
        })}
      </ol>
      <div className="px-4 py-2 border-t border-line grid gap-1">
        <p className="text-sm text-ink-2">
          Coming from another program?{' '}
          <Link href="/moving-in" className="underline underline-offset-4">
            Move customers, stock and models in
          </Link>
        </p>
        <Fault sentence={sentence} />
      </div>
    </section>
  );
}
