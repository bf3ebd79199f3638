import type { Language } from '../language';
import { CUSTOMER_NAME, STOCK_NAME } from '../market/stock-name';
import type { Cover } from '../planning/filters/cover';
import type { Offer, PlanCase } from '../planning/model/case';
import { machinesOf } from '../planning/model/machines';
import type { Plan } from '../planning/search/plan';
import { billOf } from '../pricing/bill';
import { type PricingRule, ruleForLines } from '../pricing/pricing-rule';
import { roundHalfEven } from '../pricing/round-half-even';
import { savingPercent } from '../pricing/saving';
import { channelsInSnapshot } from './channels-in-snapshot';
import { makerAsks, type SoldAs } from './factory-yardstick';
import { ifNotOf } from './on-condition';
import { boardPictures } from './paper/board-pictures';
import { billLines, computedLines, editedLines, type MadeLine, termLines } from './paper/lines';
import { coverText, isAgreed } from './paper/statements';
import type { QuoteOption } from './snapshot';
import { PLAIN_TERMS } from './terms';
import type { LineEdits, QuoteTerms } from './terms-schema';
import { capacityIn, moneyIn } from './words/in-language';
import type { PaperWords } from './words/paper-words';
import { PAPER_WORDS } from './words/papers-in';
import { filledText, SUPPLIED_TEXTS, type TextKey, type TextSet } from './words/shop-texts';

/** What the shop pays for one unit of an offer, without tax, and from whom. */
export interface OptionSupply {
  costCents: number;
  seller: string;
  /** days until it is here; null: in the shop */
  leadDays: number | null;
  /** lists of tested parts of the machine's model that name it; left out: none */
  testedBy?: readonly string[];
  /** how long its maker or seller answers for it, months; null or left out: nobody says */
  guaranteeMonths?: number | null;
}

/** What customers read of a part beside its maker. */
export interface ToldOfPart {
  part: boolean;
  seller: boolean;
}

export interface OptionInput {
  planCase: PlanCase;
  plan: Plan;
  supplies: ReadonlyMap<string, OptionSupply>;
  pricing: PricingRule;
  place: number;
  /** what the machine is covered by */
  cover?: Cover;
  /** what holds for the whole quote; absent: nothing but what is usual */
  terms?: QuoteTerms;
  /** what was typed over its lines */
  edits?: LineEdits;
  /** what the customer reads; absent: English */
  language?: Language;
  /** the shop's texts in that language; absent: as they are supplied */
  texts?: TextSet;
  /** absent: its maker and its number */
  told?: ToldOfPart;
  /** configurations that the machine's maker sells it in, with surcharges; absent: nobody knows any */
  factory?: readonly SoldAs[];
  /** what is paid if an option off the books does not work, as the shop's prices are; absent: nothing is agreed */
  ifNotCents?: number | null;
  /** parts to take home, of a case {@link withoutFitting}; absent: it is fitted here */
  partsOnly?: boolean;
}

/** What this customer reads of an offer's part. Nobody sells what is in stock. */
function aboutOf({ supplies, told = { part: true, seller: false } }: OptionInput, language: Language) {
  return ({ id, module: { maker, part } }: Offer): string => {
    const supply = supplies.get(id);
    if (supply?.seller === CUSTOMER_NAME) return PAPER_WORDS[language].ownPart;
    const isBought = supply !== undefined && supply.seller !== STOCK_NAME;
    return PAPER_WORDS[language].about({
      maker: maker ?? '',
      part: told.part ? (part ?? '') : '',
      seller: told.seller && isBought ? supply.seller : '',
      lists: supply?.testedBy ?? [],
      guaranteeMonths: supply?.guaranteeMonths ?? null,
    });
  };
}

/** What happens to the modules that are in the machine, in one sentence for the customer. */
function oldModulesText({ planCase, plan, partsOnly = false }: OptionInput, { oldModules }: PaperWords): string {
  const { installed } = planCase;
  const machines = machinesOf(planCase);
  const out = installed.filter(({ slot }) => !plan.kept.includes(slot));
  const credited = out.some(({ creditCents }) => (creditCents ?? 0) > 0);
  return oldModules({
    all: machines * installed.length,
    removed: machines * out.length,
    credited,
    atHome: partsOnly,
  });
}

/**
 * What is saved against the cheapest original plan of the rung, by what was typed over parts and credits: neither a discount
 * nor cheaper work counts, since an original would have them too. Minor units; null: nothing.
 */
function savingOf(plan: Plan, lines: readonly MadeLine[]): { cents: number; percent: number | null } | null {
  if (plan.savingCents === null || plan.lane === 'original') return null;
  const typed = lines
    .filter(({ kind }) => kind === 'part' || kind === 'credit')
    .reduce((sum, { totalCents, quantity, computed }) => sum + totalCents - quantity * computed.eachCents, 0);
  const cents = plan.savingCents - typed;
  return cents <= 0 ? null : { cents, percent: savingPercent(cents, plan.priceCents + typed) };
}

/**
 * What the machine's maker asks for the same total, where that is more than the option is.
 *
 * @param planCents what the plan itself comes to, with tax: a discount is no saving, and a fee is for something else
 */
function makerOf(
  { planCase, plan, factory = [], pricing }: OptionInput,
  planCents: number,
): Pick<QuoteOption, 'maker'> {
  const { machine, installed } = planCase;
  const soldered = machine.slots.reduce((sum, slot) => sum + (slot.soldered?.capacityMiB ?? 0), 0);
  const today = installed.reduce((sum, { module }) => sum + module.capacityMiB, soldered);
  // What it asks holds the tax, and so has the option to.
  const asks = pricing.exempt === null ? makerAsks(factory, plan.totalMiB, today) : null;
  const asksCents = machinesOf(planCase) * (asks?.cents ?? 0);
  if (asks === null || asksCents <= planCents) return {};
  const { overMiB, isTyped } = asks;
  return { maker: { asksCents, overMiB, savingCents: asksCents - planCents, ...(isTyped && { isTyped }) } };
}

/** What is due when an option is accepted, minor units; a share is rounded half to even. */
export function depositOf({ deposit }: QuoteTerms, totalCents: number): number {
  if (deposit === null) return 0;
  return deposit.kind === 'amount' ? deposit.cents : roundHalfEven(totalCents, deposit.bp, 10_000);
}

/**
 * One option of a quote: its lines, totals and plain words, with what it costs the shop kept apart in `shop`.
 * All money in minor units. Where the shop's prices hold the tax, the total without fees and discount is the plan's price.
 */
export function makeOption(input: OptionInput): QuoteOption {
  const { planCase, plan, supplies, place, cover = null, pricing, terms = PLAIN_TERMS, edits = {} } = input;
  const { language = 'en', texts = SUPPLIED_TEXTS[language], partsOnly = false } = input;
  const rule = ruleForLines(pricing);
  const ofPlan = editedLines(
    computedLines(planCase, plan, { language, rates: rule.rates, aboutOf: aboutOf(input, language) }),
    edits,
  );
  const made = [
    ...ofPlan,
    ...termLines(ofPlan, terms, language, { rates: rule.rates, isExempt: pricing.exempt !== null }),
  ];
  const bill = billOf(billLines(made), rule);
  const bought = plan.bought.map(({ offer, count }) => ({ offer, count, supply: supplies.get(offer) }));
  // What somebody paid elsewhere is no saving.
  const hasOwn = bought.some(({ supply }) => supply?.seller === CUSTOMER_NAME);
  const costCents = bought.reduce((sum, { count, supply }) => sum + count * (supply?.costCents ?? 0), 0);
  const covered = coverText(plan.lane, cover);
  // What the maker vouches for needs no such word, and what is fitted at home nobody here can settle.
  const isOpen = plan.care === 'off-book' && !partsOnly;
  const ifNot = isOpen && input.ifNotCents != null ? ifNotOf(input.ifNotCents, pricing) : null;
  const spoken: TextKey[] = [
    ...plan.reasons,
    ...(covered === null ? [] : [covered]),
    ...(partsOnly ? ['parts-only' as const] : []),
    ...(ifNot === null ? [] : ['if-not' as const]),
    ...(hasOwn ? ['own-part' as const] : []),
  ];
  const figures = {
    total: capacityIn(language, plan.totalMiB),
    visible: capacityIn(language, planCase.machine.os?.visibleMiB ?? plan.totalMiB),
    amount: ifNot === null ? '' : moneyIn(language, ifNot.totalCents, planCase.currency),
  };
  const wordsOf = (key: TextKey): string => filledText(texts[key], figures);
  const days = bought.map(({ supply }) => supply?.leadDays ?? 0);
  const saving = hasOwn ? null : savingOf(plan, ofPlan);
  const depositCents = depositOf(terms, bill.grossMinor);
  return {
    place,
    lane: plan.lane,
    reuse: plan.reuse,
    care: plan.care,
    totalMiB: plan.totalMiB,
    addedMiB: plan.addedMiB,
    ...(machinesOf(planCase) > 1 && { machines: machinesOf(planCase) }),
    rateMTs: plan.rateMTs,
    channelsText: channelsInSnapshot(plan.effectiveChannels),
    openSlots: plan.openSlots,
    ...boardPictures(planCase, plan, (mib) => capacityIn(language, mib)),
    oldModules: oldModulesText(input, PAPER_WORDS[language]),
    warnings: spoken.map(wordsOf),
    statements: spoken.filter(isAgreed).map(wordsOf),
    leadDays: Math.max(0, ...days),
    lines: made.map(({ key: _, computed: __, ...shown }) => shown),
    totalCents: bill.grossMinor,
    taxCents: bill.taxMinor,
    taxes: bill.rates.map(({ taxBp, netMinor, taxMinor }) => ({ taxBp, netCents: netMinor, taxCents: taxMinor })),
    ...(partsOnly && { partsOnly }),
    ...(ifNot !== null && { ifNot }),
    ...(depositCents > 0 && { depositCents }),
    ...(!hasOwn && makerOf(input, billOf(billLines(ofPlan), rule).grossMinor)),
    savingCents: saving?.cents ?? null,
    savingPercent: saving?.percent ?? null,
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
      texts: spoken,
      computed: made.map(({ key, computed }) => ({ key, ...computed })),
      costCents,
      marginCents: bill.netMinor - costCents,
    },
  };
}

/**
 * Why options cannot go out like this, in one sentence; null: they can.
 *
 * @param mayBeFree what replaces something under guarantee costs nothing
 */
export function faultOfOptions(options: readonly QuoteOption[], { mayBeFree = false } = {}): string | null {
  for (const { place, lines, totalCents, depositCents = 0 } of options) {
    const off = lines.find(({ kind }) => kind === 'discount')?.totalCents ?? 0;
    const before = lines.reduce((sum, { kind, totalCents: cents }) => sum + (kind === 'discount' ? 0 : cents), 0);
    if (!mayBeFree && off < 0 && before + off <= 0)
      return `The discount is as much as option ${place} costs: make it smaller.`;
    if (totalCents < 0 || (totalCents === 0 && !mayBeFree))
      return `Option ${place} comes to nothing or less: lower the credit for the old modules.`;
    if (depositCents > totalCents) return `The deposit is more than option ${place} costs: make it smaller.`;
  }
  return null;
}
