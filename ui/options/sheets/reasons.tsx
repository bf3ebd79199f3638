import { useTranslations } from '#translations';
import { makeBoard } from '@/core/planning/model/board';
import type { PlanCase } from '@/core/planning/model/case';
import { effectiveLimits } from '@/core/planning/rules/effective-limits';
import type { Plan } from '@/core/planning/search/plan';
import { reasonFacts } from '@/core/quoting/reason-facts';
import { NOTE_WORDS, STAFF_REASONS } from '@/core/quoting/reason-words';

interface ReasonsProps {
  plan: Plan;
  planCase: PlanCase;
  cover: string | null;
  /** where there are more, only how many more is said */
  most?: number;
}

/** What has to be minded of a plan, and what is worth saying beside. */
export function Reasons({ plan, planCase, cover, most = Number.POSITIVE_INFINITY }: ReasonsProps) {
  const t = useTranslations('options');
  const facts = reasonFacts(planCase, plan, effectiveLimits(makeBoard(planCase)));
  const minded = [...plan.reasons.map((reason) => STAFF_REASONS[reason](facts)), ...(cover === null ? [] : [cover])];
  const notes = plan.notes.map((note) => NOTE_WORDS[note](facts));
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
