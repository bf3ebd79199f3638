import { knownOf } from '../../../core/machine/slots/slots-of-reading';
import { makerKey } from '../../../core/maker-key';
import { isWebAddress } from '../../../core/market/web-address';
import { wholeModule } from '../../../core/price-list/whole-module';
import { countedPrice } from '../../../core/pricing/counted-price';
import { moneyText } from '../../../core/pricing/money-text';
import type { Reading } from '../../../core/reading/reading';
import { getJob } from '../../../store/job/jobs';
import { getModel } from '../../../store/library/models';
import { insertOffer, insertPrice, insertSeller } from '../../../store/market/offers';
import { findSeller, type Seller, updateSeller } from '../../../store/market/sellers';
import type { Queryable } from '../../../store/queryable';
import { getShop, type Shop } from '../../../store/shop/shop';
import { groundOf } from '../../market/counting-ground';
import { bindingSentence, bindOriginal, type OriginalBinding } from '../../market/said-original';
import { type Caller, mayDo } from '../../staff/access';

/** Whose a title is that names no seller. */
const NOBODY = 'Seen elsewhere';
/** How soon something is here that nobody said anything of, days. */
const LEAD_DAYS = 5;
const LONGEST_NAME = 80;

/** A seller that a page names; null: it is new, and anyone who reads the page may make none. A new one: its prices hold the tax that is usual here, and it is known for nothing yet. */
async function sellerOf(
  db: Queryable,
  caller: Caller,
  { name, currency, shop }: { name: string; currency: string; shop: Shop },
): Promise<Seller | null> {
  const known = await findSeller(db, name);
  if (known !== null) return known;
  if (!mayDo(caller, 'offers.price')) return null;
  const id = await insertSeller(db, { name, leadDays: LEAD_DAYS });
  const terms = { currency, withTax: true, taxBp: shop.taxBp, taxBack: true, shipping: { kind: 'none' as const } };
  const seller = {
    leadDays: LEAD_DAYS,
    terms,
    trust: 'marketplace' as const,
    returns: '',
    orderContact: '',
    orderMail: '',
    leastOrderCents: null,
    rating: null,
    ratingCount: null,
    partsOf: null,
  };
  await updateSeller(db, id, seller);
  return { ...seller, id, name, offers: 0, retired: false };
}

const MISSING = {
  capacityMiB: 'its capacity',
  generation: 'its generation',
  form: 'its form',
  rateMTs: 'its rate',
} as const;
const FIELDS = Object.keys(MISSING) as (keyof typeof MISSING)[];

/** Says of an original that it is not made for a job's machine; empty where it is. */
async function fitSentence(db: Queryable, jobId: number, binding: OriginalBinding): Promise<string> {
  const job = await getJob(db, jobId);
  const model = job?.modelId == null ? null : await getModel(db, job.modelId);
  const maker = makerKey(model?.maker ?? job?.machineMaker ?? '');
  const fits = binding.everyModel
    ? makerKey(binding.originalOf) === maker
    : model !== null && binding.modelIds.includes(model.id);
  return fits ? '' : ' It is not for this machine as far as we know, so it is not on its ladder.';
}

/** What became of something that names a price; null: it is no offer, the sentence says why. */
export interface BecameOffer {
  offerId: number | null;
  sentence: string;
}

const noOffer = (sentence: string): BecameOffer => ({ offerId: null, sentence });

/**
 * Makes a title with a price, or a seller's page, an offer of its job at once. What it comes to is counted by the
 * seller's terms like any printed price.
 *
 * @returns what became of it; null where it is nothing to buy
 */
export async function offerOfReading(
  db: Queryable,
  caller: Caller,
  { jobId, readingId }: { jobId: number; readingId: number },
  { module, offer }: Reading,
): Promise<BecameOffer | null> {
  if (offer === undefined || offer.priceCents === null || module === undefined) return null;
  const known = knownOf(module);
  const missing = FIELDS.filter((field) => known[field] === null).map((field) => MISSING[field]);
  if (missing.length > 0) return noOffer(`Not an offer yet: it does not say ${missing.join(' or ')}.`);
  if (offer.condition === 'damaged') return noOffer('Not an offer: it is described as damaged.');
  if (offer.available === false) return noOffer('Not an offer: none are left.');
  const whole = wholeModule(known);
  if (whole === null) return noOffer('Not an offer: what it says of the module is contradictory.');
  const shop = await getShop(db);
  const name = (offer.seller ?? NOBODY).trim().slice(0, LONGEST_NAME) || NOBODY;
  const seller = await sellerOf(db, caller, { name, currency: offer.currency ?? shop.currency, shop });
  if (seller === null)
    return noOffer(`Not an offer yet: ${name} is not one of our sellers. A technician or an owner reads it in first.`);
  const ground = await groundOf(db, seller.id);
  const { terms } = ground;
  const currency = offer.currency ?? terms.currency;
  if (currency !== terms.currency)
    return noOffer(`Not an offer: ${seller.name} has prices in ${terms.currency}, and this is in ${currency}.`);
  const modules = offer.modules ?? 1;
  const counted = countedPrice({ cents: offer.priceCents, coupon: null, modules, units: 1 }, terms, ground);
  if (!counted.ok) return noOffer(`Not an offer yet: ${counted.sentence}`);
  if (modules > 8 || counted.costCents <= 0)
    return noOffer('Not an offer: check its price and how many modules it has.');
  const used = offer.condition === 'used' || offer.condition === 'refurbished';
  const said = used ? null : (offer.original ?? (seller.partsOf === null ? null : { of: seller.partsOf, madeFor: [] }));
  const binding = said === null ? null : await bindOriginal(db, said, offer.title ?? '');
  const id = await insertOffer(db, {
    sellerId: seller.id,
    sellerPart: null,
    title: offer.title ?? 'seen elsewhere',
    origin: used ? 'used' : binding === null ? 'third-party' : 'original',
    modules,
    module: whole,
    stock: offer.quantity,
    ...(offer.url !== null && isWebAddress(offer.url) ? { page: offer.url, note: '' } : { note: offer.url ?? '' }),
    ...offer.rated,
    guaranteeMonths: offer.guaranteeMonths ?? null,
    modelIds: [],
    ...binding,
    jobId,
    readingId,
  });
  const printed = { printedCents: offer.priceCents, coupon: null, units: 1, steps: counted.steps };
  await insertPrice(db, id, counted.costCents, `page or title of job ${jobId}`, null, printed);
  const price = moneyText(offer.priceCents, currency);
  const kind = binding === null ? 'an offer' : 'an original offer';
  const more = binding === null ? '' : `${await fitSentence(db, jobId, binding)}${bindingSentence(binding)}`;
  return { offerId: id, sentence: `It is ${kind} of this job now: ${price} at ${seller.name}.${more}` };
}
