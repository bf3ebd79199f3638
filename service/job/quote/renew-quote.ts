import type { PlanCase } from '../../../core/planning/model/case';
import { caseFor } from '../../../core/planning/model/parts-only';
import type { Plan } from '../../../core/planning/search/plan';
import { Planner } from '../../../core/planning/search/planner';
import { nextEqual } from '../../../core/quoting/drift/drift';
import type { Renewed } from '../../../core/quoting/drift/renewed';
import { editsOfGroup } from '../../../core/quoting/groups/edits-of-group';
import { optionOfGroup } from '../../../core/quoting/groups/option-of-group';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import type { LineEdits } from '../../../core/quoting/terms-schema';
import { type ChosenPlan, dropChoice, listEdits, openDraft, putChoice, suggest } from '../../../store/job/quotes';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { draftOption } from '../options/draft-options';
import { lockSlices } from '../slices/read-slices';
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

type Kept = Awaited<ReturnType<typeof renewed>>;

/** One group's part of each option: what of it can be had, by the option's place; null: nothing. */
async function renewGroup(
  state: JobWith<'quote' | 'market'>,
  options: readonly QuoteOption[],
  editsOf: (option: QuoteOption) => LineEdits,
): Promise<Result<Map<number, Kept>>> {
  const jobId = state.job.id;
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
  const found = new Map<number, Kept>();
  for (const whole of options) {
    // Machines that came to the job after it was sent were offered nothing.
    const isOffered = whole.groups === undefined || whole.shop.groups?.some(({ job }) => job === jobId);
    const option = optionOfGroup(whole, jobId);
    const equalTo = async () => nextEqual(option, await plansFor(option.partsOnly === true));
    found.set(option.place, isOffered ? await renewed(state, option, editsOf(whole), equalTo) : null);
  }
  return done(found);
}

/** What of an option can be had for all groups of the job's machines. */
function howOf(kept: readonly (Kept | undefined)[]): keyof Renewed {
  if (kept.some((one) => one == null)) return 'lost';
  return kept.every((one) => one?.how === 'same') ? 'same' : 'equal';
}

/**
 * Puts the options of the quote that is out on the slip again at today's prices, each with the next best equal plan where its
 * own cannot be had any more. Groups of machines are renewed in turn, each with the stock that those before it leave. The quote
 * itself stays as it is until the new version is sent.
 */
export async function renewQuote(caller: Caller<'jobs.write'>, jobId: number): Promise<Result<Renewed>> {
  return changeJob(caller, jobId, {
    kind: 'quote-renewed',
    ofLead: true,
    needs: ['quote', 'market'],
    work: async (db, lead) => {
      const current = lead.sent.find((quote) => quote.state === 'sent');
      if (current === undefined) return fault('conflict', 'No quote of this job is out.');
      const { options, suggested } = current.snapshot;
      const edits = await listEdits(db, current.id);
      const drafts: { id: number; kept: Map<number, Kept> }[] = [];
      for (const [nr, group] of lead.groups.entries()) {
        const state = group.jobId === lead.job.id ? lead : await lockSlices(db, group.jobId, ['quote', 'market']);
        if (state === null) return fault('not-found', 'There is no such job.');
        const kept = await renewGroup(state, options, (option) =>
          option.groups === undefined ? (edits.get(option.place) ?? {}) : editsOfGroup(option, group.jobId),
        );
        if (!kept.ok) return lead.groups.length === 1 ? kept : fault(kept.code, `Group ${nr + 1}: ${kept.sentence}`);
        const { id } = await openDraft(db, group.jobId);
        for (const one of kept.value.values()) if (one !== null) await putChoice(db, id, one.choice);
        drafts.push({ id, kept: kept.value });
      }
      const found: Renewed = { same: [], equal: [], lost: [] };
      for (const { place } of options) found[howOf(drafts.map(({ kept }) => kept.get(place)))].push(place);
      if (found.lost.length === options.length)
        return fault('conflict', 'Nothing equal is available any more: choose again on the ladder.');
      // What one group cannot have is no option of the others.
      for (const { id } of drafts) for (const place of found.lost) await dropChoice(db, id, place);
      const [first] = drafts;
      if (first !== undefined)
        await suggest(db, first.id, suggested !== null && !found.lost.includes(suggested) ? suggested : null);
      return done(found);
    },
  });
}
