import { useTranslations } from '#translations';
import type { SaidKind } from '@/core/reading/read';
import { Button } from '../../kit/button';

interface WhichReadingProps {
  either: readonly { as: SaidKind; line: string }[];
  busy: boolean;
  onSay: (as: SaidKind) => void;
}

const WORDS = {
  listing: { head: 'which.module', button: 'which.isModule' },
  specification: { head: 'which.limits', button: 'which.isLimits' },
} as const satisfies Record<SaidKind, { head: string; button: string }>;

/** A text of which two readings are possible, side by side: a person says which is meant. */
export function WhichReading({ either, busy, onSay }: WhichReadingProps) {
  const t = useTranslations('intake');
  return (
    <section aria-label={t('which.label')} className="border-2 border-act bg-sheet rounded-notch px-3 py-2.5">
      <p className="font-semibold mb-2">{t('which.label')}</p>
      <div className="grid grid-cols-2 gap-3 max-[700px]:grid-cols-1">
        {either.map(({ as, line }) => (
          <div key={as} className="border-l-4 border-line pl-3 grid gap-1 content-between justify-items-start">
            <div>
              <p className="text-sm text-ink-2">{t(WORDS[as].head)}</p>
              <p className="font-medium">{line}</p>
            </div>
            <Button disabled={busy} onClick={() => onSay(as)}>
              {t(WORDS[as].button)}
            </Button>
          </div>
        ))}
      </div>
    </section>
  );
}
