import { useTranslations } from '#translations';
import { Button } from '../kit/button';

export interface CompareButtonsProps {
  /** the plan at hand is among those compared */
  isCompared: boolean;
  /** so many are */
  compared: number;
  onCompare: () => void;
  onSideBySide: () => void;
}

/** Takes the plan at hand to those that are compared, and lays these side by side. */
export function CompareButtons({ isCompared, compared, onCompare, onSideBySide }: CompareButtonsProps) {
  const t = useTranslations('options');
  return (
    <>
      <Button weight="quiet" aria-pressed={isCompared} disabled={!isCompared && compared >= 3} onClick={onCompare}>
        {isCompared ? t('plan.noCompare') : t('plan.compare')}
      </Button>
      {compared > 1 && (
        <Button weight="quiet" onClick={onSideBySide}>
          {t('plan.sideBySide', { compared })}
        </Button>
      )}
    </>
  );
}
