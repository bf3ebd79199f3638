import { useTranslations } from '#translations';
import { makeBoard } from '@/core/planning/model/board';
import type { PlanCase } from '@/core/planning/model/case';
import { effectiveLimits } from '@/core/planning/rules/effective-limits';
import type { Plan } from '@/core/planning/search/plan';
import { reasonFacts } from '@/core/quoting/reason-facts';
import { noteText, reasonText } from '@/core/quoting/reason-words';

interface ReasonsProps {
  plan: Plan;
  planCase: PlanCase;
  /** what it is covered by, where that asks for care */
  cover: 'warranty' | 'support' | null;
  /** where there are more, only how many more is said */
  most?: number;
}

/** What has to be minded of a plan, and what is worth saying beside. */
export function Reasons({ plan, planCase, cover, most = Number.POSITIVE_INFINITY }: ReasonsProps) {
  const t = useTranslations('options');
  const tPlans = useTranslations('plans');
  const facts = reasonFacts(planCase, plan, effectiveLimits(makeBoard(planCase)));
  const reasons = plan.reasons.map((reason) => reasonText(tPlans, reason, facts));
  const minded = cover === null ? reasons : [...reasons, tPlans(`cover.${cover}`)];
  const notes = plan.notes.map((note) => noteText(tPlans, note, facts));
  const count = minded.length + notes.length;
  const shown = count > most ? most - 1 : count;
  return (
    <ul className="grid gap-0.5 content-start">
      {minded.slice(0, shown).map((sentence) => (
        <li key={sentence} className="flex gap-2">
          <span aria-hidden="true" className="text-mind font-bold">
            △
          </span>
          {sentence}
        </li>
      ))}
      {notes.slice(0, Math.max(0, shown - minded.length)).map((note) => (
        <li key={note} className="text-ink-2 flex gap-2">
          <span aria-hidden="true">·</span>
          {note}
        </li>
      ))}
      {shown < count && <li className="text-ink-2">{t('reasons.more', { shown: count - shown })}</li>}
      {count === 0 && <li className="text-good">{t('reasons.none')}</li>}
    </ul>
  );
}
