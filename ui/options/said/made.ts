import type { MemoryModule } from '@/core/memory/module';
import type { PlanCase } from '@/core/planning/model/case';
import { offerOf } from '@/core/planning/model/offer-of';
import type { Plan } from '@/core/planning/search/plan';
import type { OfferSupply } from '@/service/job/options/view';
import type { JobView } from '@/service/job/view';
import type { StaffWords } from '@/words/staff-words';

type Supplies = Readonly<Record<string, OfferSupply>>;

/** Who made a module, and its part number: `Corrick CO8D24`; empty: neither is known. */
export const madeText = ({ maker, part }: Pick<MemoryModule, 'maker' | 'part'>): string =>
  [maker, part].filter((one) => one != null && one !== '').join(' ');

/** Who made what a plan buys, with part numbers, each once. */
export function madeOfPlan(planCase: Pick<PlanCase, 'offers'>, { bought }: Pick<Plan, 'bought'>): string {
  const each = bought.map(({ offer }) => madeText(offerOf(planCase.offers, offer)?.module ?? {}));
  return [...new Set(each)].filter((text) => text !== '').join(', ');
}

/** What buyers say of an offer, or else of its seller, with who is meant; empty: nothing. */
export function ratedText(
  t: StaffWords<'offers'>,
  supply: Pick<OfferSupply, 'rated' | 'seller'> | undefined,
  sellersRated: JobView['sellersRated'],
): string {
  const rated = supply?.rated ?? (supply === undefined ? undefined : sellersRated[supply.seller]);
  if (rated === undefined) return '';
  const rating = t('offer.rating', { value: (rated.rating / 100).toFixed(1), count: rated.ratingCount });
  return supply?.rated !== undefined ? t('offer.ownRating', { rating }) : t('offer.sellerRating', { rating });
}

/** How long an offer's maker or seller answers for it; empty: nobody says. */
export const guaranteeText = (
  t: StaffWords<'options'>,
  supply: Pick<OfferSupply, 'guaranteeMonths'> | undefined,
): string => {
  const months = supply?.guaranteeMonths;
  if (months === undefined) return '';
  return months % 12 === 0 ? t('made.years', { years: months / 12 }) : t('made.months', { months });
};

/** Months for which all that a plan buys is answered for, the shortest; null where nobody says it of one. */
export function guaranteeMonthsOf({ bought }: Pick<Plan, 'bought'>, supplies: Supplies): number | null {
  if (bought.length === 0) return null;
  const least = Math.min(...bought.map(({ offer }) => supplies[offer]?.guaranteeMonths ?? 0));
  return least === 0 ? null : least;
}

/** The same in words; empty where nobody says it of one. */
export function guaranteeOfPlan(t: StaffWords<'options'>, plan: Pick<Plan, 'bought'>, supplies: Supplies): string {
  return guaranteeText(t, { guaranteeMonths: guaranteeMonthsOf(plan, supplies) ?? undefined });
}

/** That an offer's part is on lists of tested parts of the machine's model; empty: on none. */
export function testedText(t: StaffWords<'options'>, supply: Pick<OfferSupply, 'testedBy'> | undefined): string {
  const lists = supply?.testedBy ?? [];
  return lists.length === 0 ? '' : t('made.tested', { lists: lists.join(', ') });
}

/** The same of all that a plan buys; empty where something of it is on none. */
export function testedOfPlan(t: StaffWords<'options'>, { bought }: Pick<Plan, 'bought'>, supplies: Supplies): string {
  const each = bought.map(({ offer }) => supplies[offer]?.testedBy ?? []);
  if (each.length === 0 || each.some((lists) => lists.length === 0)) return '';
  return testedText(t, { testedBy: [...new Set(each.flat())] });
}
