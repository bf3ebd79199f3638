import { useTranslations } from '#translations';
import { daysFrom } from '@/core/day-count';
import type { Plan } from '@/core/planning/search/plan';
import { useJob } from '../../job/job-context';
import { dayText } from '../../words/amounts';
import { daysLate } from '../said/delivery';

/** Says of a plan that its parts come after the day on which the customer needs it. */
export function LateNote({ plan }: { plan: Pick<Plan, 'bought'> }) {
  const t = useTranslations('options');
  const { job } = useJob();
  if (job.neededBy === null) return null;
  const days = daysLate(plan, job.supplies, daysFrom(job.today, job.neededBy));
  if (days === 0) return null;
  return <p className="text-mind font-medium">{t('plan.late', { days, day: dayText(job.neededBy) })}</p>;
}
