import { useTranslations } from '#translations';
import type { PlanCase } from '@/core/planning/model/case';
import { CARES } from '@/core/planning/rules/care';
import type { Answer } from '@/core/planning/search/plan';
import { PlanShape } from './plan-shape';

const OUTLINE_WORDS = [
  ['heads-up', 'replace', 'key.heads-up'],
  ['off-book', 'replace', 'key.off-book'],
  ['clear', 'add', 'key.kept'],
  ['clear', 'swap', 'key.some'],
] as const;

/** What outline and fill mean; only what is on the picture is named. */
export function PictureKey({ answer, planCase }: { answer: Answer; planCase: PlanCase }) {
  const t = useTranslations('options');
  const cares = new Set(answer.plans.map(({ care }) => care));
  const reuses = new Set(planCase.installed.length === 0 ? [] : answer.plans.map(({ reuse }) => reuse));
  return (
    <ul className="flex flex-wrap gap-x-2 text-xs text-ink-2 items-center" aria-label={t('key.label')}>
      {OUTLINE_WORDS.filter(([care, reuse]) =>
        care === 'clear' ? reuses.has(reuse) : CARES.includes(care) && cares.has(care),
      ).map(([care, reuse, words]) => (
        <li key={words} className="flex items-center gap-0.5">
          <PlanShape lane="third-party" care={care} reuse={reuse} />
          {t(words)}
        </li>
      ))}
    </ul>
  );
}
