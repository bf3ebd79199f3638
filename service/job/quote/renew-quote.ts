import type { PlanCase } from '../../../core/planning/model/case';
import { caseFor } from '../../../core/planning/model/parts-only';
import type { Plan } from '../../../core/planning/search/plan';
import { Planner } from '../../../core/planning/search/planner';
import { nextEqual } from '../../../core/quoting/drift/drift';
import type { Renewed } from '../../../core/quoting/drift/renewed';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import type { LineEdits } from '../../../core/quoting/terms-schema';
import { type ChosenPlan, listEdits, openDraft, putChoice, suggest } from '../../../store/job/quotes';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { draftOption } from '../options/draft-options';
import type { JobWith } from '../slices/slice';

/** So long it plans before it lets others in, ms. */
const TURN_MS = 20;

/** All plans of a case, worked out in turns, so that the shop's other work goes on meanwhile. */
async function plansInTurns(planCase: PlanCase): Promise<readonly Plan[]> {
  const steps = new Planner(planCase).steps();
  let from = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value.plans;
    if (performance.now() - from < TURN_MS) continue;
    await new Promise((resolve) => setImmediate(resolve));
    from = performance.now();
  }
}

/** The same plan where it can still be had, else the next best equal one; null: neither. */
async function renewed(
  state: JobWith<'quote' | 'market'>,
  { place, shop, partsOnly, ifNot }: QuoteOption,
  edits: LineEdits,
  equalTo: () => Promise<Plan | null>,
): Promise<{ choice: ChosenPlan; how: 'same' | 'equal' } | null> {
  const own = { edits, partsOnly: partsOnly === true, ifNotCents: ifNot?.eachCents ?? null };
  const same = { ...own, place, kept: shop.kept, bought: shop.bought.map(({ offer, count }) => ({ offer, count })) };
  if (draftOption(state, same).ok) return { choice: same, how: 'same' };
  const plan = await equalTo();
  return plan === null ? null : { choice: { ...own, place, kept: plan.kept, bought: plan.bought }, how: 'equal' };
}

/**
 * Puts the options of the quote that is out on the slip again at today's prices, each with the next best equal plan where its
 * own cannot be had any more. The quote itself stays as it is until the new version is sent.
 */
export async function renewQuote(caller: Caller<'jobs.write'>, jobId: number): Promise<Result<Renewed>> {
  return changeJob(caller, jobId, {
    kind: 'quote-renewed',
    needs: ['quote', 'market'],
    work: async (db, state) => {
      const current = state.sent.find((quote) => quote.state === 'sent');
      if (current === undefined) return fault('conflict', 'No quote of this job is out.');
      if (state.groups.length > 1)
        return fault('conflict', 'Its machines fall into several groups: choose for each again on its Options.');
      if ((state.draft?.choices.length ?? 0) > 0)
        return fault('conflict', 'The draft quote has options already: send or remove them first.');
      if (!state.jobCase.ok) return fault('conflict', 'The machine has gaps: fill them on Limits first.');
      const { planCase } = state.jobCase;
      const plans = new Map<boolean, Promise<readonly Plan[]>>();
      const plansFor = (partsOnly: boolean): Promise<readonly Plan[]> => {
        const known = plans.get(partsOnly) ?? plansInTurns(caseFor(planCase, partsOnly));
        plans.set(partsOnly, known);
        return known;
      };
      const found: Renewed = { same: [], equal: [], lost: [] };
      const choices: ChosenPlan[] = [];
      const edits = await listEdits(db, current.id);
      for (const option of current.snapshot.options) {
        const one = await renewed(state, option, edits.get(option.place) ?? {}, async () => {
          return nextEqual(option, await plansFor(option.partsOnly === true));
        });
        if (one !== null) choices.push(one.choice);
        found[one?.how ?? 'lost'].push(option.place);
      }
      if (choices.length === 0)
        return fault('conflict', 'Nothing equal is available any more: choose again on the ladder.');
      const draft = await openDraft(db, jobId);
      for (const choice of choices) await putChoice(db, draft.id, choice);
      const { suggested } = current.snapshot;
      await suggest(db, draft.id, choices.some(({ place }) => place === suggested) ? suggested : null);
      return done(found);
    },
  });
}
