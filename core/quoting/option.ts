import { capacityText } from '../memory/capacity';
import { moduleText } from '../memory/module-words';
import { makeBoard } from '../planning/board';
import type { CareReason } from '../planning/care';
import type { Offer, PlanCase } from '../planning/case';
import { effectiveChannelsText } from '../planning/channel-words';
import type { Cover } from '../planning/cover';
import { type InForce, inForce } from '../planning/in-force';
import type { Plan } from '../planning/plan';
import { containedTax } from '../pricing/contained-tax';
import { savingPercent } from '../pricing/saving';
import { CUSTOMER_REASONS, type ReasonFacts } from './reason-words';
import type { BoardPicture, QuoteLine, QuoteOption } from './snapshot';
import { coverStatement, isAgreed } from './statements';

/** What the shop pays for one unit of an offer, without tax, and from whom. */
export interface Supply {
  costCents: number;
  seller: string;
  /** days until it is here; null: in the shop */
  leadDays: number | null;
}

export interface OptionInput {
  planCase: PlanCase;
  plan: Plan;
  supplies: ReadonlyMap<string, Supply>;
  taxBp: number;
  place: number;
  /** what the machine is covered by */
  cover?: Cover;
}

/** The figures that sentences about a plan speak of. */
export function reasonFacts(planCase: PlanCase, plan: Plan, force: InForce): ReasonFacts {
  const text = (mib: number | null | undefined) => (mib == null ? null : capacityText(mib));
  return {
    totalText: capacityText(plan.totalMiB),
    officialTotalText: text(force.total.official),
    officialModuleText: text(force.module.official),
    rateMTs: plan.rateMTs,
    todayRateMTs: force.today.rateMTs,
    bandwidthMBs: plan.bandwidthMBs,
    todayBandwidthMBs: force.today.bandwidthMBs,
    channelsText: effectiveChannelsText(plan.effectiveChannels),
    osVisibleText: text(planCase.machine.os?.visibleMiB),
  };
}

function partLines(planCase: PlanCase, plan: Plan): QuoteLine[] {
  const offers = new Map(planCase.offers.map((offer) => [offer.id, offer]));
  return plan.bought.flatMap(({ offer: id, count }) => {
    const offer = offers.get(id);
    if (offer === undefined) return [];
    return [
      {
        kind: 'part' as const,
        text: partText(offer),
        origin: offer.origin,
        quantity: count,
        eachCents: offer.priceCents,
        totalCents: count * offer.priceCents,
      },
    ];
  });
}

function partText(offer: Offer): string {
  const pack = offer.modules === 1 ? '' : `Kit of ${offer.modules}: `;
  return `${pack}${moduleText(offer.module)}`;
}

function line(kind: QuoteLine['kind'], text: string, quantity: number, eachCents: number): QuoteLine {
  return { kind, text, origin: null, quantity, eachCents, totalCents: quantity * eachCents };
}

/** Credits for the modules that are taken out, equal ones together. */
function creditLines(planCase: PlanCase, plan: Plan): QuoteLine[] {
  const lines = new Map<string, QuoteLine>();
  for (const { slot, module, creditCents } of planCase.installed) {
    if (plan.kept.includes(slot) || !creditCents) continue;
    const text = `We take your ${capacityText(module.capacityMiB)} module`;
    const key = `${text} ${creditCents}`;
    lines.set(key, line('credit', text, (lines.get(key)?.quantity ?? 0) + 1, -creditCents));
  }
  return [...lines.values()];
}

function serviceLines(planCase: PlanCase, plan: Plan): QuoteLine[] {
  const labour = planCase.labourCents ?? 0;
  return [...(labour > 0 ? [line('labour', 'Fitting and test', 1, labour)] : []), ...creditLines(planCase, plan)];
}

/** What sits where today and after the plan, slot by slot as the machine lists them. */
export function boardPictures(planCase: PlanCase, plan: Plan): { before: BoardPicture; after: BoardPicture } {
  const installed = new Map(planCase.installed.map(({ slot, module }) => [slot, module]));
  const offers = new Map(planCase.offers.map((offer) => [offer.id, offer.module]));
  const before: BoardPicture = [];
  const after: BoardPicture = [];
  for (const { id, soldered } of planCase.machine.slots) {
    const seat = plan.placement[id];
    const comes = seat === undefined ? undefined : 'kept' in seat ? installed.get(seat.kept) : offers.get(seat.offer);
    const fate = seat === undefined ? 'empty' : 'kept' in seat ? (seat.kept === id ? 'stays' : 'moves') : 'new';
    const was = soldered ?? installed.get(id) ?? null;
    const is = soldered ?? comes ?? null;
    const built = soldered != null;
    before.push({
      slot: id,
      capacityMiB: was?.capacityMiB ?? null,
      text: was && moduleText(was),
      fate: built ? 'built-in' : 'today',
    });
    after.push({
      slot: id,
      capacityMiB: is?.capacityMiB ?? null,
      text: is && moduleText(is),
      fate: built ? 'built-in' : fate,
    });
  }
  return { before, after };
}

/** What happens to the modules that are in the machine, in one sentence for the customer. */
function oldModulesText(planCase: PlanCase, plan: Plan): string {
  const all = planCase.installed.length;
  const removed = all - plan.kept.length;
  if (all === 0) return 'There were no modules to keep.';
  if (removed === 0) return all === 1 ? 'Your module stays in.' : `All ${all} of your modules stay in.`;
  const credit = planCase.installed.reduce(
    (sum, one) => sum + (plan.kept.includes(one.slot) ? 0 : (one.creditCents ?? 0)),
    0,
  );
  const out =
    removed === all
      ? all === 1
        ? 'Your old module comes out'
        : 'Your old modules come out'
      : `${removed} of your ${all} modules ${removed === 1 ? 'comes' : 'come'} out`;
  const one = removed === 1;
  if (credit > 0) return `${out}; we credit ${one ? 'it' : 'them'} to you.`;
  return `${out} and ${one ? 'is' : 'are'} yours to take home.`;
}

/**
 * One option of a quote: its lines, totals and plain words, with what it costs the shop kept apart in `shop`.
 * All money with tax, minor units; the total is the plan's price.
 */
export function makeOption({ planCase, plan, supplies, taxBp, place, cover = null }: OptionInput): QuoteOption {
  const force = inForce(makeBoard(planCase));
  const facts = reasonFacts(planCase, plan, force);
  const lines = [...partLines(planCase, plan), ...serviceLines(planCase, plan)];
  const totalCents = lines.reduce((sum, line) => sum + line.totalCents, 0);
  const taxCents = containedTax(totalCents, taxBp);
  const bought = plan.bought.map(({ offer, count }) => ({ offer, count, supply: supplies.get(offer) }));
  const costCents = bought.reduce((sum, { count, supply }) => sum + count * (supply?.costCents ?? 0), 0);
  const covered = coverStatement(plan.lane, cover);
  const warnings = plan.reasons.map((reason) => CUSTOMER_REASONS[reason](facts));
  const agreed = warnings.filter((_, nr) => isAgreed(plan.reasons[nr] as CareReason));
  const days = bought.map(({ supply }) => supply?.leadDays ?? 0);
  return {
    place,
    lane: plan.lane,
    reuse: plan.reuse,
    care: plan.care,
    totalMiB: plan.totalMiB,
    addedMiB: plan.addedMiB,
    rateMTs: plan.rateMTs,
    channelsText: facts.channelsText,
    openSlots: plan.openSlots,
    ...boardPictures(planCase, plan),
    oldModules: oldModulesText(planCase, plan),
    warnings: covered === null ? warnings : [...warnings, covered],
    statements: covered === null ? agreed : [...agreed, covered],
    leadDays: Math.max(0, ...days),
    lines,
    totalCents,
    taxCents,
    savingCents:
      plan.savingCents !== null && plan.savingCents > 0 && plan.lane !== 'original' ? plan.savingCents : null,
    savingPercent: plan.savingCents === null ? null : savingPercent(plan.savingCents, plan.priceCents),
    shop: {
      kept: plan.kept,
      bought: bought.map(({ offer, count, supply }) => ({
        offer,
        count,
        costCents: supply?.costCents ?? 0,
        seller: supply?.seller ?? '',
      })),
      placement: plan.placement,
      reasons: plan.reasons,
      costCents,
      marginCents: totalCents - taxCents - costCents,
    },
  };
}
