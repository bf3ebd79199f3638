import type { Language } from '../../language';
import { CARES } from '../../planning/rules/care';
import { billOf } from '../../pricing/bill';
import { type PricingRule, ruleForLines } from '../../pricing/pricing-rule';
import { savingPercent } from '../../pricing/saving';
import { depositOf } from '../option';
import { billLines, type MadeLine, termLines } from '../paper/lines';
import type { OptionGroup, QuoteOption } from '../snapshot';
import type { QuoteTerms } from '../terms-schema';
import { PAPER_WORDS } from '../words/papers-in';
import { keyOfGroup } from './line-key';

/** One group's part of an option: made for it alone, without the terms of the quote. */
export interface GroupPart {
  /** the job that the group is kept as */
  jobId: number;
  machines: number;
  option: QuoteOption;
}

export interface JoinInput {
  terms: QuoteTerms;
  language: Language;
  pricing: PricingRule;
}

/** The lines of a part, each by what it is typed over. */
function linesOf({ jobId, option }: GroupPart, name: string): MadeLine[] {
  const { computed = [] } = option.shop;
  return option.lines.map((line, nr) => {
    const own = computed[nr];
    return {
      ...line,
      about: line.about === undefined ? name : `${name}, ${line.about}`,
      key: keyOfGroup(jobId, own?.key ?? `line:${nr}`),
      computed: { text: own?.text ?? line.text, eachCents: own?.eachCents ?? line.eachCents },
    };
  });
}

function groupOf({ machines, option }: GroupPart, name: string): OptionGroup {
  const { lane, reuse, care, totalMiB, addedMiB, rateMTs, channelsText, openSlots, before, after, oldModules } = option;
  const { maker } = option;
  return {
    name,
    machines,
    ...{ lane, reuse, care, totalMiB, addedMiB, rateMTs, channelsText, openSlots, before, after, oldModules },
    ...(maker !== undefined && { maker }),
  };
}

/** The one value that all share; else another. */
const shared = <T>(values: readonly T[], otherwise: T): T =>
  values.every((value) => value === values[0]) ? (values[0] ?? otherwise) : otherwise;

const each = <T>(values: readonly T[]): T[] => [...new Set(values)];

/** Packs of each offer, of all groups together. */
function boughtOf(parts: readonly GroupPart[]): QuoteOption['shop']['bought'] {
  const bought = new Map<string, QuoteOption['shop']['bought'][number]>();
  for (const one of parts.flatMap(({ option }) => option.shop.bought)) {
    bought.set(one.offer, { ...one, count: one.count + (bought.get(one.offer)?.count ?? 0) });
  }
  return [...bought.values()];
}

/** What all groups save against originals, of those that there are originals for; in percent only where there are for all. */
function savingOf(parts: readonly GroupPart[]): Pick<QuoteOption, 'savingCents' | 'savingPercent'> {
  const saved = parts.flatMap(({ option }) => option.savingCents ?? []);
  if (saved.length === 0) return { savingCents: null, savingPercent: null };
  const savingCents = saved.reduce((sum, cents) => sum + cents, 0);
  const total = parts.reduce((sum, { option }) => sum + option.totalCents, 0);
  return { savingCents, savingPercent: saved.length < parts.length ? null : savingPercent(savingCents, total) };
}

/**
 * One option for machines that differ: of each group its plan, and one bill with the fees and the discount of the quote. Its
 * own figures are the least that any of the groups gets, its cautions those of all. Money in minor units.
 *
 * @param parts one of each group, in the groups' order
 * @throws Error where there is no part
 */
export function joinOptions(parts: readonly GroupPart[], { terms, language, pricing }: JoinInput): QuoteOption {
  const [first] = parts;
  if (first === undefined) throw new Error('an option of no group');
  const words = PAPER_WORDS[language];
  const names = parts.map((_, nr) => words.group(nr + 1));
  const rule = ruleForLines(pricing);
  const ofPlans = parts.flatMap((part, nr) => linesOf(part, names[nr] ?? ''));
  const made = [
    ...ofPlans,
    ...termLines(ofPlans, terms, language, { rates: rule.rates, isExempt: pricing.exempt !== null }),
  ];
  const bill = billOf(billLines(made), rule);
  const options = parts.map(({ option }) => option);
  const costCents = options.reduce((sum, { shop }) => sum + shop.costCents, 0);
  const depositCents = depositOf(terms, bill.grossMinor);
  const { place, partsOnly, before, after } = first.option;
  return {
    place,
    lane: shared(
      options.map(({ lane }) => lane),
      'mixed',
    ),
    reuse: first.option.reuse,
    care: options.map(({ care }) => care).sort((a, b) => CARES.indexOf(b) - CARES.indexOf(a))[0] ?? first.option.care,
    totalMiB: Math.min(...options.map(({ totalMiB }) => totalMiB)),
    addedMiB: Math.min(...options.map(({ addedMiB }) => addedMiB)),
    machines: parts.reduce((sum, { machines }) => sum + machines, 0),
    rateMTs: Math.min(...options.map(({ rateMTs }) => rateMTs)),
    channelsText: shared(
      options.map(({ channelsText }) => channelsText),
      '',
    ),
    openSlots: Math.min(...options.map(({ openSlots }) => openSlots)),
    before,
    after,
    groups: parts.map((part, nr) => groupOf(part, names[nr] ?? '')),
    oldModules: options.map(({ oldModules }, nr) => `${names[nr]}: ${oldModules}`).join(' '),
    warnings: each(options.flatMap(({ warnings }) => warnings)),
    statements: each(options.flatMap(({ statements = [] }) => statements)),
    leadDays: Math.max(...options.map(({ leadDays }) => leadDays)),
    lines: made.map(({ key: _, computed: __, ...shown }) => shown),
    totalCents: bill.grossMinor,
    taxCents: bill.taxMinor,
    taxes: bill.rates.map(({ taxBp, netMinor, taxMinor }) => ({ taxBp, netCents: netMinor, taxCents: taxMinor })),
    ...(partsOnly && { partsOnly }),
    ...(depositCents > 0 && { depositCents }),
    ...savingOf(parts),
    shop: {
      kept: [],
      bought: boughtOf(parts),
      placement: {},
      groups: parts.map(({ jobId, option: { shop } }) => ({
        job: jobId,
        kept: shop.kept,
        bought: shop.bought,
        placement: shop.placement,
        reasons: shop.reasons,
      })),
      reasons: each(options.flatMap(({ shop }) => shop.reasons)),
      texts: each(options.flatMap(({ shop }) => shop.texts ?? [])),
      computed: made.map(({ key, computed }) => ({ key, ...computed })),
      costCents,
      marginCents: bill.netMinor - costCents,
    },
  };
}
