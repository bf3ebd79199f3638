import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { makerKey } from '../../core/maker-key';
import { OFFER_SORTS } from '../../core/market/offer-sort';
import { type OfferWish, wishOfText } from '../../core/market/offer-wish';
import { offerPrice } from '../../core/pricing/pricing-rule';
import { offersCsv } from '../../outward/papers/offers-csv';
import { pool } from '../../store/database';
import { countOffers, type Family, type FoundOffer, findOffers, specsFor } from '../../store/market/find-offers';
import { type MonthPrice, monthPrices, soldFamilies } from '../../store/market/market-prices';
import { listPrices, type NotedPrice } from '../../store/market/offers';
import { listSellers } from '../../store/market/sellers';
import { getShop } from '../../store/shop/shop';
import { machineName } from '../job/job-names';
import { wholeJob } from '../job/job-state';
import { pricingRule } from '../job/quote/job-pricing';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

/** Which offers, how sorted, and which window of them. */
export const askMarketSchema = z.strictObject({
  text: z.string().max(400, 'At most 400 characters, please.').default(''),
  /** offers that this job's machine takes */
  jobId: idSchema.nullable().default(null),
  /** one kind of module; null: the first that has any */
  familyId: idSchema.nullable().default(null),
  sort: z.enum(OFFER_SORTS).default('price'),
  from: z.number().int().min(0).max(10_000_000).default(0),
  count: z.number().int().min(1).max(200).default(100),
});
export type AskMarket = z.input<typeof askMarketSchema>;

/** Offers of one kind of module, or all that fit a machine. */
export interface FamilyOffers {
  /** 0: all that fit the machine that was asked for */
  familyId: number;
  label: { generation: string; form: string; buffering: string; ecc: boolean } | null;
  offers: number;
}

export interface MarketRow extends Omit<FoundOffer, 'pricedAt'> {
  pricedAt: string;
  sellCents: number;
}

export interface OffersPage {
  /** empty where a window further on was asked for: they are what they were */
  shelves: FamilyOffers[];
  /** the shelf that the rows stand on */
  familyId: number | null;
  rows: MarketRow[];
}

/** Words that name a seller become that seller. */
async function withSeller(wish: OfferWish): Promise<OfferWish> {
  const { words = [] } = wish;
  if (words.length === 0) return wish;
  const sellers = await listSellers(pool());
  const named = sellers.filter(({ name }) => {
    const parts = name.toLowerCase().split(/\s+/);
    return words.some((word) => word.length > 2 && parts.includes(word.toLowerCase()));
  });
  const [seller] = named;
  if (seller === undefined || named.length > 1) return wish;
  const parts = seller.name.toLowerCase().split(/\s+/);
  return { ...wish, sellerId: seller.id, words: words.filter((word) => !parts.includes(word.toLowerCase())) };
}

/** A job by its number, as it is named where its machine is looked for. */
export async function jobNamed(_: Caller<'offers.read'>, jobId: number): Promise<{ id: number; name: string } | null> {
  const state = await wholeJob(jobId);
  return state === null ? null : { id: jobId, name: machineName(state.job) || `job ${jobId}` };
}

/** What a job's machine takes; null where there is no such job. */
async function wishOfJob(jobId: number): Promise<OfferWish | null> {
  const state = await wholeJob(jobId);
  if (state === null) return null;
  const { generations, form, kinds, moduleMiB, provenModuleMiB, clearanceMm } = state.limits;
  return {
    machine: { modelId: state.job.modelId, makerKey: makerKey(state.model?.maker ?? state.job.machineMaker) },
    generations: generations?.value ?? [],
    ...(form && { form: form.value }),
    ...(kinds && { kinds: kinds.value }),
    ...(moduleMiB && { mostMiB: Math.max(moduleMiB.value, provenModuleMiB?.value ?? 0) }),
    ...(clearanceMm && { mostHeightMm: clearanceMm.value }),
  };
}

/** Both wishes at once; of what both say, the tighter. */
function both(job: OfferWish, typed: OfferWish): OfferWish {
  const generations = job.generations?.filter((one) => typed.generations?.includes(one) ?? true);
  const most = Math.min(job.mostHeightMm ?? Number.POSITIVE_INFINITY, typed.mostHeightMm ?? Number.POSITIVE_INFINITY);
  return {
    ...job,
    ...typed,
    ...(generations !== undefined && { generations }),
    ...(job.form !== undefined && typed.form !== undefined && job.form !== typed.form && { generations: [] }),
    ...(Number.isFinite(most) && { mostHeightMm: most }),
  };
}

const shelfOf = ({ id, generation, form, buffering, ecc }: Family, offers: number): FamilyOffers => ({
  familyId: id,
  label: { generation, form, buffering, ecc },
  offers,
});

/** Offers by what was typed and, where a job is named, by what its machine takes. */
export const askMarket = (
  _: Caller<'offers.read'>,
  asked: z.output<typeof askMarketSchema>,
): Promise<Result<OffersPage>> => findPage(asked);

async function findPage(asked: z.output<typeof askMarketSchema>): Promise<Result<OffersPage>> {
  const typed = await withSeller(wishOfText(asked.text));
  const job = asked.jobId === null ? null : await wishOfJob(asked.jobId);
  if (asked.jobId !== null && job === null) return fault('not-found', 'There is no such job.');
  const wish = job === null ? typed : both(job, typed);
  const found = await specsFor(pool(), wish);
  // Anyone who scrolls on knows the counts already.
  const counted = asked.from > 0 ? null : await countOffers(pool(), found, wish);
  const counts = new Map(counted?.map(({ familyId, offers }) => [familyId, offers]));
  const filled = counted === null ? found.families : found.families.filter(({ id }) => counts.has(id));
  const all = [...counts.values()].reduce((sum, offers) => sum + offers, 0);
  const shelves =
    counted === null
      ? []
      : job === null
        ? filled.map((family) => shelfOf(family, counts.get(family.id) ?? 0))
        : [{ familyId: 0, label: null, offers: all }];
  const familyId =
    job === null
      ? (filled.find(({ id }) => id === asked.familyId)?.id ?? filled[0]?.id ?? null)
      : filled.length > 0
        ? 0
        : null;
  const families = job === null ? filled.filter(({ id }) => id === familyId) : filled;
  const ids = new Set(families.map(({ id }) => id));
  const own = { families, specs: found.specs.filter((spec) => ids.has(spec.familyId)) };
  const shop = await getShop(pool());
  const pricing = pricingRule(shop, null);
  const offers = familyId === null ? [] : await findOffers(pool(), own, wish, asked.sort, asked);
  return done({
    shelves,
    familyId,
    rows: offers.map(({ pricedAt, ...offer }) => ({
      ...offer,
      pricedAt: pricedAt.toISOString(),
      sellCents: offerPrice(offer.costCents, shop, pricing),
    })),
  });
}

/** Numbers of the offers that are found, as they are shown: of one kind of module, or of all that fit a machine. */
export async function foundOfferIds(
  _: Caller<'offers.price'>,
  asked: Pick<AskMarket, 'text' | 'jobId' | 'familyId'>,
  most: number,
): Promise<Result<number[]>> {
  const ids: number[] = [];
  for (let from = 0; from < most; from += EXPORT_PAGE) {
    const page = await findPage(askMarketSchema.parse({ ...asked, from, count: EXPORT_PAGE }));
    if (!page.ok) return page;
    ids.push(...page.value.rows.map(({ id }) => id));
    if (page.value.rows.length < EXPORT_PAGE) break;
  }
  return done(ids);
}

/** The market as somebody sees it; what offers cost the shop is null, and how that went is empty, where it may not be seen. */
export type SeenMarket = Omit<OffersPage, 'rows'> & {
  rows: (Omit<MarketRow, 'costCents'> & { costCents: number | null })[];
};

export function seenMarket(view: OffersPage, seesCost: boolean): SeenMarket {
  if (seesCost) return view;
  return { ...view, rows: view.rows.map((row) => ({ ...row, costCents: null, history: [] })) };
}

/** A file holds so many offers at most. */
const MOST_EXPORTED = 10_000;
const EXPORT_PAGE = 200;

/** The offers that are this, of every kind of module, as CSV: what we pay is in it, so it is for staff. */
export async function exportMarket(
  _: Caller<'costs.read'>,
  asked: Pick<z.infer<typeof askMarketSchema>, 'text' | 'jobId' | 'sort'>,
): Promise<Result<string>> {
  const first = await findPage(askMarketSchema.parse(asked));
  if (!first.ok) return first;
  const rows: MarketRow[] = [];
  for (const { familyId, offers } of first.value.shelves) {
    for (let from = 0; from < offers && rows.length < MOST_EXPORTED; from += EXPORT_PAGE) {
      const shelf = familyId === 0 ? null : familyId;
      const page = await findPage({ ...askMarketSchema.parse(asked), familyId: shelf, from, count: EXPORT_PAGE });
      if (!page.ok) return page;
      rows.push(...page.value.rows);
    }
  }
  return done(offersCsv(rows, (await getShop(pool())).currency));
}

/** Every price that an offer had, the latest first, with where it came from. */
export async function pricesOf(_: Caller<'costs.read'>, offerId: number): Promise<Result<NotedPrice[]>> {
  const prices = await listPrices(pool(), offerId);
  return prices.length === 0 ? fault('not-found', 'There is no such offer.') : done(prices);
}

/** What a GB cost over the last year, by size, of one family of modules; and the families there are. */
export interface MarketPrices {
  families: { familyId: number; label: NonNullable<FamilyOffers['label']> }[];
  familyId: number | null;
  currency: string;
  months: MonthPrice[];
}

/** @param familyId the family that is asked for; null: the first */
export async function marketPrices(_: Caller<'costs.read'>, familyId: number | null): Promise<MarketPrices> {
  const { currency } = await getShop(pool());
  const families = (await soldFamilies(pool())).map(({ id, ...label }) => ({ familyId: id, label }));
  const shown = families.find((one) => one.familyId === familyId) ?? families[0] ?? null;
  return {
    families,
    familyId: shown?.familyId ?? null,
    currency,
    months: shown === null ? [] : await monthPrices(pool(), shown.familyId),
  };
}
