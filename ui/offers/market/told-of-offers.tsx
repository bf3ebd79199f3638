import { useTranslations } from '#translations';
import { Button } from '../../kit/button';
import type { MarketActs } from './use-market-acts';

/** Adds an offer, and says what came of what was done last. */
export function ToldOfOffers({ acts: { said, undo }, onAdd }: { acts: MarketActs; onAdd: () => void }) {
  const t = useTranslations('offers');
  return (
    <div className="flex items-center gap-3">
      <Button onClick={onAdd}>{t('add')}</Button>
      {said !== null && (
        <span role="status" className="text-sm">
          {said}
        </span>
      )}
      {undo !== null && (
        <Button weight="quiet" onClick={() => void undo()}>
          {t('undo')}
        </Button>
      )}
    </div>
  );
}
