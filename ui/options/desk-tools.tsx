import { useTranslations } from '#translations';
import type { PlanCase } from '@/core/planning/model/case';
import type { Answer } from '@/core/planning/search/plan';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { NearLink } from '../kit/near-link';
import { RefusedOffers } from './steer/refused-offers';

interface DeskToolsProps {
  answer: Answer;
  planCase: PlanCase;
  asTable: boolean;
  onTable: () => void;
  onOpen: (what: 'new-part' | 'keys') => void;
  onWhy: () => void;
  onCompose: () => void;
}

/** What else there is to see and to do, below the plans. */
export function DeskTools({ answer, planCase, asTable, onTable, onOpen, onWhy, onCompose }: DeskToolsProps) {
  const t = useTranslations('options');
  const { job } = useJob();
  return (
    <div className="flex flex-wrap gap-x-4 items-baseline">
      <RefusedOffers answer={answer} planCase={planCase} />
      <div className="ml-auto flex flex-wrap gap-x-4 justify-end">
        <Button weight="quiet" onClick={() => onOpen('new-part')}>
          {t('tools.addPart')}
        </Button>
        <Button weight="quiet" onClick={onCompose}>
          {t('tools.compose')}
        </Button>
        <Button weight="quiet" onClick={onWhy}>
          {t('tools.whyMissing')}
        </Button>
        <Button weight="quiet" onClick={onTable}>
          {asTable ? t('tools.ladder') : t('tools.table')}
        </Button>
        {/* A whole new page: nothing of the staff's is in what the customer sees. */}
        <a href={`/jobs/${job.id}/customer`} className={buttonLook('link')}>
          {t('tools.customer')}
        </a>
        <a href={`/jobs/${job.id}/what-to-buy`} className={buttonLook('link')}>
          {t('tools.whatToBuy')}
        </a>
        <Button weight="quiet" onClick={() => onOpen('keys')} aria-label={t('tools.keysLabel')}>
          {t('tools.keys')}
        </Button>
        <NearLink href={`/offers?job=${job.id}`} className={buttonLook('link')}>
          {t('tools.allFitting')}
        </NearLink>
      </div>
    </div>
  );
}
