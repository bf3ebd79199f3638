import { makeBoard } from '@/core/planning/board';
import type { PlanCase } from '@/core/planning/case';
import { inForce } from '@/core/planning/in-force';
import type { Plan } from '@/core/planning/plan';
import { reasonFacts } from '@/core/quoting/option';
import { NOTE_WORDS, STAFF_REASONS } from '@/core/quoting/reason-words';

/** What has to be minded of a plan, and what is worth saying beside. */
export function Reasons({ plan, planCase, cover }: { plan: Plan; planCase: PlanCase; cover: string | null }) {
  const facts = reasonFacts(planCase, plan, inForce(makeBoard(planCase)));
  const minded = [...plan.reasons.map((reason) => STAFF_REASONS[reason](facts)), ...(cover === null ? [] : [cover])];
  return (
    <ul className="grid gap-0.5 content-start">
      {minded.map((sentence) => (
        <li key={sentence} className="flex gap-2">
          <span aria-hidden="true" className="text-mind font-bold">
            △
          </span>
          {sentence}
        </li>
      ))}
      {plan.notes.map((note) => (
        <li key={note} className="text-ink-2 flex gap-2">
          <span aria-hidden="true">·</span>
          {NOTE_WORDS[note](facts)}
        </li>
      ))}
      {minded.length + plan.notes.length === 0 && (
        <li className="text-good">✓ Nothing to mind: within the papers, matched and even.</li>
      )}
    </ul>
  );
}
