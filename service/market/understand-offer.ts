import { NOTHING_KNOWN } from '../../core/machine/models/nothing-known';
import type { KnownModule } from '../../core/machine/slots/job-slot';
import { knownOf } from '../../core/machine/slots/slots-of-reading';
import { isWebAddress } from '../../core/market/web-address';
import type { Origin } from '../../core/planning/model/lanes';
import { READ_FAULTS } from '../../core/reading/read';
import type { ReadFact } from '../../core/reading/reading';
import { readOffered } from '../../outward/readings/read-offered';
import { pool } from '../../store/database';
import { summariesOf } from '../../store/library/models';
import { findSeller } from '../../store/market/sellers';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { bindOriginal } from './said-original';

/** What a title, or a seller's page, says of an offer. Money minor units of `currency`. */
export interface UnderstoodOffer {
  title: string;
  seller: string | null;
  /** that of ours; null: it is none of ours, or names none */
  sellerId: number | null;
  sellerPart: string;
  modules: number;
  module: KnownModule;
  priceCents: number | null;
  currency: string | null;
  origin: Origin;
  originalOf: string;
  everyModel: boolean;
  models: { id: number; name: string }[];
  /** models that the library does not know, as written */
  unbound: string[];
  stock: number | null;
  note: string;
  /** address of its own page; empty: none is known */
  page: string;
  /** hundredths of a star, and how many gave them; null: nobody says */
  rating: number | null;
  ratingCount: number | null;
  guaranteeMonths: number | null;
}

/** A title without the price that was typed with it. */
function withoutPrice(title: string, facts: readonly ReadFact[]): string {
  const price = facts.find(({ field }) => field === 'priceCents');
  if (price === undefined) return title;
  const [before, after] = [title.slice(0, price.start), title.slice(price.end)];
  return `${before} ${after}`
    .replace(/\s{2,}/g, ' ')
    .replace(/[\s,;:–-]+$/, '')
    .trim();
}

/** Understands a title with its price, or a seller's page, as an offer; nothing is kept. */
export async function understandOffer(_: Caller<'offers.price'>, input: Uint8Array): Promise<Result<UnderstoodOffer>> {
  const outcome = await readOffered(input);
  if (!outcome.ok) return fault('bad-input', READ_FAULTS[outcome.code]);
  const { module, offer } = outcome.reading;
  if (offer === undefined)
    return fault('bad-input', 'This is no offer: paste a seller’s title with its price, or choose its saved page.');
  const used = offer.condition === 'used' || offer.condition === 'refurbished';
  const seller = offer.seller === null ? null : await findSeller(pool(), offer.seller);
  const said = used ? null : (offer.original ?? (seller?.partsOf == null ? null : { of: seller.partsOf, madeFor: [] }));
  const binding = said === null ? null : await bindOriginal(pool(), said, offer.title ?? '');
  const models = binding === null ? [] : await summariesOf(pool(), binding.modelIds);
  const page = offer.url !== null && isWebAddress(offer.url) ? offer.url : null;
  return done({
    title: withoutPrice(offer.title ?? '', outcome.reading.facts ?? []),
    seller: offer.seller,
    sellerId: seller?.id ?? null,
    sellerPart: offer.sku ?? '',
    modules: offer.modules ?? 1,
    module: module === undefined ? NOTHING_KNOWN : knownOf(module),
    priceCents: offer.priceCents,
    currency: offer.currency,
    origin: used ? 'used' : binding === null ? 'third-party' : 'original',
    originalOf: binding?.originalOf ?? '',
    everyModel: binding?.everyModel ?? false,
    models: models.map(({ id, maker, name, yearFrom }) => ({ id, name: `${maker} ${name}, ${yearFrom}` })),
    unbound: binding?.unbound ?? [],
    stock: offer.available === false ? 0 : offer.quantity,
    note: page === null ? (offer.url ?? '') : '',
    page: page ?? '',
    rating: offer.rated?.rating ?? null,
    ratingCount: offer.rated?.ratingCount ?? null,
    guaranteeMonths: offer.guaranteeMonths ?? null,
  });
}
