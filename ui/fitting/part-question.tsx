import { useTranslations } from '#translations';
import { Button } from '../kit/button';
import type { PartsAtBench } from './use-parts';

/** Asked where a step was pressed whose part is not here by the list. */
export function PartQuestion({ parts }: { parts: PartsAtBench }) {
  const t = useTranslations('fitting');
  return (
    <div role="alert" className="flex flex-wrap gap-3 items-center px-3 py-2 border-2 border-mind rounded-notch">
      <span className="flex-1 min-w-56 text-lg">{t('waiting.question')}</span>
      <Button className="min-h-12" autoFocus onClick={parts.confirm}>
        {t('waiting.inHand')}
      </Button>
      <Button weight="quiet" className="min-h-12" onClick={parts.cancel}>
        {t('cancel')}
      </Button>
    </div>
  );
}
