import type { Language } from '../../language';
import { moduleText } from '../../memory/module-words';
import type { Offer, PlanCase } from '../../planning/model/case';
import { machinesOf } from '../../planning/model/machines';
import type { Plan } from '../../planning/search/plan';
import { type BillLine, spreadOverRates } from '../../pricing/bill';
import type { TaxRates } from '../../pricing/pricing-rule';
import { roundHalfEven } from '../../pricing/round-half-even';
import type { QuoteLine } from '../snapshot';
import type { Discount, LineEdits, QuoteTerms } from '../terms-schema';
import { capacityIn } from '../words/in-language';
import { PAPER_WORDS } from '../words/papers-in';

/** A line while an option is made: by what name it can be typed over, and what was computed for it. */
export interface MadeLine extends QuoteLine {
  key: string;
  computed: { text: string; eachCents: number };
}

function line(key: string, made: Omit<QuoteLine, 'totalCents'>): MadeLine {
  const { text, quantity, eachCents } = made;
  return { ...made, key, totalCents: quantity * eachCents, computed: { text, eachCents } };
}

function partText(offer: Offer, language: Language): string {
  const module = moduleText(offer.module, (mib) => capacityIn(language, mib));
  return offer.modules === 1 ? module : PAPER_WORDS[language].kitOf(offer.modules, module);
}

/** What a customer may read of an offer's part, in the paper's language; empty: nothing is known, or to be told. */
export type AboutOf = (offer: Offer) => string;

function partLines(
  planCase: PlanCase,
  plan: Plan,
  { language, taxBp, aboutOf }: { language: Language; taxBp: number; aboutOf: AboutOf },
): MadeLine[] {
  const offers = new Map(planCase.offers.map((offer) => [offer.id, offer]));
  return plan.bought.flatMap(({ offer: id, count }) => {
    const offer = offers.get(id);
    if (offer === undefined) return [];
    const { origin, priceCents: eachCents } = offer;
    const about = aboutOf(offer);
    const text = partText(offer, language);
    const told = { kind: 'part' as const, text, ...(about !== '' && { about }) };
    return [line(`part:${id}`, { ...told, origin, quantity: count, eachCents, taxBp })];
  });
}

/** Credits for the modules that are taken out, equal ones together. */
function creditLines(planCase: PlanCase, plan: Plan, language: Language, taxBp: number): MadeLine[] {
  const lines = new Map<string, MadeLine>();
  for (const { slot, module, creditCents } of planCase.installed) {
    if (plan.kept.includes(slot) || !creditCents) continue;
    const key = `credit:${module.capacityMiB}:${creditCents}`;
    const text = PAPER_WORDS[language].credit(capacityIn(language, module.capacityMiB));
    const quantity = (lines.get(key)?.quantity ?? 0) + machinesOf(planCase);
    lines.set(key, line(key, { kind: 'credit', text, origin: null, quantity, eachCents: -creditCents, taxBp }));
  }
  return [...lines.values()];
}

/** What a plan comes to, line by line, as it is computed: parts, work, credit for what is taken out. */
export function computedLines(
  planCase: PlanCase,
  plan: Plan,
  { language, rates, aboutOf = () => '' }: { language: Language; rates: TaxRates; aboutOf?: AboutOf },
): MadeLine[] {
  const labour = planCase.labourCents ?? 0;
  const work: Omit<QuoteLine, 'totalCents'> = {
    kind: 'labour',
    text: PAPER_WORDS[language].labour,
    origin: null,
    quantity: machinesOf(planCase),
    eachCents: labour,
    taxBp: rates.labour,
  };
  return [
    ...partLines(planCase, plan, { language, taxBp: rates.part, aboutOf }),
    ...(labour > 0 ? [line('labour', work)] : []),
    ...creditLines(planCase, plan, language, rates.credit),
  ];
}

/** Lines with what was typed over them. A credit is what is taken off: it is typed as an amount and stays a minus. */
export function editedLines(lines: readonly MadeLine[], edits: LineEdits): MadeLine[] {
  return lines.map((made) => {
    const edit = edits[made.key];
    if (edit === undefined) return made;
    const typed = edit.eachCents ?? made.eachCents;
    const eachCents = made.kind === 'credit' ? -Math.abs(typed) : typed;
    return { ...made, text: edit.text ?? made.text, eachCents, totalCents: made.quantity * eachCents };
  });
}

/** What a discount takes off parts and work, minor units; a share is rounded half to even. */
export function discountCents(discount: Discount, lines: readonly QuoteLine[]): number {
  if (discount.kind === 'amount') return discount.cents;
  const base = lines.reduce(
    (sum, { kind, totalCents }) => sum + (kind === 'part' || kind === 'labour' ? totalCents : 0),
    0,
  );
  return roundHalfEven(base, discount.bp, 10_000);
}

/** Other lines and discount of a quote's terms, after those of a plan. A discount falls on several tax rates at once. */
export function termLines(
  lines: readonly QuoteLine[],
  { extras, discount }: QuoteTerms,
  language: Language,
  { rates, isExempt }: { rates: TaxRates; isExempt: boolean },
): MadeLine[] {
  const charged = extras.map(({ text, quantity, eachCents, taxBp }, nr) => {
    const own = isExempt ? 0 : (taxBp ?? rates.fee);
    return line(`fee:${nr}`, { kind: 'fee', text, origin: null, quantity, eachCents, taxBp: own });
  });
  if (discount === null) return charged;
  const text = PAPER_WORDS[language].discount(discount.reason);
  const eachCents = -discountCents(discount, lines);
  return [...charged, line('discount', { kind: 'discount', text, origin: null, quantity: 1, eachCents, taxBp: null })];
}

/** Lines as tax is reckoned on them: one that falls on several rates in its parts. */
export function billLines(lines: readonly QuoteLine[]): BillLine[] {
  const taxed = lines.flatMap(({ totalCents, taxBp }) =>
    taxBp === null || taxBp === undefined ? [] : [{ minor: totalCents, taxBp }],
  );
  const charged = lines.flatMap(({ kind, totalCents, taxBp }) =>
    taxBp != null && (kind === 'part' || kind === 'labour') ? [{ minor: totalCents, taxBp }] : [],
  );
  const spread = lines.flatMap(({ totalCents, taxBp }) => (taxBp === null ? spreadOverRates(totalCents, charged) : []));
  return [...taxed, ...spread];
}
