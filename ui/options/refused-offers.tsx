import type { PlanCase } from '@/core/planning/case';
import type { Answer } from '@/core/planning/plan';
import { REFUSAL_WORDS } from '@/core/planning/refusal-words';

/** The offers that are not on the ladder because they do not fit, each with why. */
export function RefusedOffers({ answer, planCase }: { answer: Answer; planCase: PlanCase }) {
  const { refusedOffers } = answer;
  if (refusedOffers.length === 0) return null;
  return (
    <details className="text-sm">
      <summary className="cursor-pointer text-ink-2 py-1 w-fit underline decoration-line underline-offset-4 hover:decoration-ink">
        {refusedOffers.length === 1 ? '1 offer does not fit' : `${refusedOffers.length} offers do not fit`}: why
      </summary>
      <ul className="columns-1 lg:columns-2 gap-6 mt-1">
        {refusedOffers.map(({ offer: id, codes }) => (
          <li key={id} className="break-inside-avoid py-0.5">
            {planCase.offers.find((offer) => offer.id === id)?.label}:{' '}
            <span className="text-ink-2">{codes.map((code) => REFUSAL_WORDS[code]).join(', ')}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}
