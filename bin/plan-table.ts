import { capacityText } from '../core/memory/capacity';
import { nearestPlans } from '../core/planning/explain/broken-wishes';
import type { OfferExplained } from '../core/planning/explain/explain-offer';
import { explainPlan } from '../core/planning/explain/explain-plan';
import { nearestSentence, offerSentences, planSentences } from '../core/planning/explain/explain-words';
import type { PlanSay } from '../core/planning/explain/plan-say';
import { planLine } from '../core/planning/explain/plan-words';
import { makeBoard } from '../core/planning/model/board';
import type { PlanCase } from '../core/planning/model/case';
import { effectiveLimits } from '../core/planning/rules/effective-limits';
import type { Answer, Plan } from '../core/planning/search/plan';
import { moneyText } from '../core/pricing/money-text';
import { reasonFacts } from '../core/quoting/reason-facts';
import { reasonText } from '../core/quoting/reason-words';
import { staffWords } from '../words/staff-words';

/** The command speaks English. */
const sayIn = (currency: string): PlanSay => ({
  t: staffWords('en', 'plans'),
  tTrade: staffWords('en', 'trade'),
  money: (cents) => moneyText(cents, currency),
});

const HEADINGS = ['total', 'price', 'saving', 'rate', 'channels', 'open', 'care', 'lane', 'old ones', 'buy'];
/** Columns whose figures are read from the right. */
const RIGHT = new Set(['total', 'price', 'saving', 'rate', 'channels', 'open']);

function bought({ bought: units }: Plan, { offers }: PlanCase): string {
  const label = (id: string) => offers.find((offer) => offer.id === id)?.label ?? id;
  return units.map(({ offer, count }) => `${count > 1 ? `${count} × ` : ''}${label(offer)}`).join(' + ') || 'nothing';
}

function careText({ care, reasons }: Plan): string {
  return reasons.length === 0 ? care : `${care}: ${reasons.join(', ')}`;
}

function cells(plan: Plan, planCase: PlanCase): string[] {
  const { currency } = planCase;
  return [
    capacityText(plan.totalMiB),
    moneyText(plan.priceCents, currency),
    plan.savingCents === null ? '' : moneyText(plan.savingCents, currency),
    String(plan.rateMTs),
    String(Math.round(plan.effectiveChannels * 100) / 100),
    String(plan.openSlots),
    careText(plan),
    plan.lane,
    plan.reuse,
    bought(plan, planCase),
  ];
}

function aligned(rows: readonly string[][]): string[] {
  const widths = HEADINGS.map((_, column) => Math.max(...rows.map((row) => row[column]?.length ?? 0)));
  return rows.map((row) =>
    row
      .map((cell, column) => {
        const width = widths[column] ?? 0;
        return RIGHT.has(HEADINGS[column] ?? '') ? cell.padStart(width) : cell.padEnd(width);
      })
      .join('  ')
      .trimEnd(),
  );
}

/** Where nothing meets the goal, what misses it least; else that nothing is more than today. */
function noPlan(planCase: PlanCase): string[] {
  if (planCase.goal == null) return ['No plan gives more than today.'];
  const nearest = nearestPlans(planCase).map((one) => `  ${nearestSentence(sayIn(planCase.currency), planCase, one)}`);
  if (nearest.length === 0) return ['No plan meets the goal, nor all but one of its wishes.'];
  return ['No plan meets the goal. Those that miss one wish of it least:', ...nearest];
}

/** An answer as a person reads it in a terminal: today, then a line a plan, the smallest total first, then the cheapest. */
export function planTable(planCase: PlanCase, { baseline, refusedOffers, plans }: Answer): string {
  const { totalMiB, rateMTs } = baseline;
  const today =
    totalMiB === 0 ? 'nothing' : `${capacityText(totalMiB)}${rateMTs === null ? '' : ` at ${rateMTs} MT/s`}`;
  const sorted = [...plans].sort((a, b) => a.totalMiB - b.totalMiB || a.priceCents - b.priceCents);
  const head = `${planCase.machine.name ?? 'machine'}: today ${today}`;
  const table = aligned([HEADINGS, ...sorted.map((plan) => cells(plan, planCase))]);
  const misfits = refusedOffers.length;
  const refused = misfits === 0 ? [] : ['', misfits === 1 ? '1 offer does not fit.' : `${misfits} offers do not fit.`];
  return [head, '', ...(sorted.length === 0 ? noPlan(planCase) : table), ...refused, ''].join('\n');
}

/** Why an offer is in no plan, or in which and why they run as they run, as a person reads it in a terminal. */
export function explainedText(planCase: PlanCase, id: string, explained: OfferExplained): string {
  const label = planCase.offers.find((offer) => offer.id === id)?.label ?? id;
  const say = sayIn(planCase.currency);
  const [first, ...more] = offerSentences(say, planCase, explained);
  const plans = explained.kind === 'in-plans' ? explained.plans.slice(0, 3) : [];
  const force = effectiveLimits(makeBoard(planCase));
  const because = plans.flatMap((plan) => {
    const facts = reasonFacts(planCase, plan, force);
    const reasons = plan.reasons.map((reason) => reasonText(say.t, reason, facts));
    const told = [...planSentences(say.t, planCase, explainPlan(planCase, plan)), ...reasons];
    return ['', planLine(say, planCase, plan), ...told.map((sentence) => `  ${sentence}`)];
  });
  const rest = plans.length > 0 ? because : more.map((line) => `  ${line}`);
  return [`${label} (${id}): ${first}`, ...rest, ''].join('\n');
}
