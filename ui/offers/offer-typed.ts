import { NOTHING_KNOWN } from '@/core/machine/models/nothing-known';
import type { KnownModule } from '@/core/machine/slots/job-slot';
import { isWebAddress } from '@/core/market/web-address';
import { GENERATIONS } from '@/core/memory/generation';
import type { Buffering, MemoryModule } from '@/core/memory/module';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { Origin } from '@/core/planning/model/lanes';
import { wholeModule } from '@/core/price-list/whole-module';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { UnderstoodOffer } from '@/service/market/view';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped } from '../kit/form/read-typed';
import { capacityText } from '../words/amounts';
import { parseRating, ratingTyped } from './sellers/terms-words';

/** A model that an offer is for. */
export interface PickedModel {
  id: number;
  name: string;
}

/** An offer as it stands in a form: text until it is saved. */
export interface OfferTyped {
  title: string;
  sellerId: string;
  sellerPart: string;
  price: string;
  modules: string;
  capacity: string;
  generation: string;
  form: string;
  rate: string;
  cl: string;
  kind: string;
  maker: string;
  part: string;
  origin: Origin;
  originalOf: string;
  everyModel: boolean;
  models: readonly PickedModel[];
  unbound: readonly string[];
  stock: string;
  leadDays: string;
  rating: string;
  guarantee: string;
  page: string;
  note: string;
}

export const NO_OFFER: OfferTyped = {
  title: '',
  sellerId: '',
  sellerPart: '',
  price: '',
  modules: '1',
  capacity: '',
  generation: '',
  form: '',
  rate: '',
  cl: '',
  kind: 'unbuffered',
  maker: '',
  part: '',
  origin: 'third-party',
  originalOf: '',
  everyModel: false,
  models: [],
  unbound: [],
  stock: '',
  leadDays: '',
  rating: '',
  guarantee: '',
  page: '',
  note: '',
};

/** Kinds of module that never mix, as they are chosen. */
export const KIND_TEXTS = {
  unbuffered: 'kindNames.plain',
  'unbuffered ecc': 'kindNames.unbufferedEcc',
  'registered ecc': 'kindNames.registered',
  'load-reduced ecc': 'kindNames.lr',
  'fully-buffered ecc': 'kindNames.fb',
} as const satisfies Record<string, string>;

const numberText = (value: number | null | undefined): string => (value == null ? '' : String(value));

/** What is known of a module, as the fields of a form. */
export function offerModuleTyped(module: KnownModule): Partial<OfferTyped> {
  const { capacityMiB, generation, form, rateMTs, casLatency, buffering, ecc, maker, part } = module;
  const kind = buffering === null ? null : `${buffering}${ecc === true || buffering !== 'unbuffered' ? ' ecc' : ''}`;
  return {
    capacity: capacityMiB === null ? '' : capacityText(capacityMiB),
    generation: generation ?? '',
    form: form ?? '',
    rate: numberText(rateMTs),
    cl: numberText(casLatency),
    ...(kind !== null && kind in KIND_TEXTS && { kind }),
    maker: maker ?? '',
    part: part ?? '',
  };
}

/** A known module of one that is whole. */
export const knownOfWhole = (module: MemoryModule): KnownModule => {
  const { profiles: _, ...facts } = module;
  return {
    ...NOTHING_KNOWN,
    ...facts,
    casLatency: facts.casLatency ?? null,
    ranks: facts.ranks ?? null,
    maker: facts.maker ?? null,
    part: facts.part ?? null,
  };
};

export function understoodTyped(told: UnderstoodOffer, shopCurrency: string): Partial<OfferTyped> {
  return {
    ...offerModuleTyped(told.module),
    title: told.title,
    ...(told.sellerId !== null && { sellerId: String(told.sellerId) }),
    sellerPart: told.sellerPart,
    modules: String(told.modules),
    price: told.priceCents === null ? '' : plainMoney(told.priceCents, told.currency ?? shopCurrency),
    origin: told.origin,
    originalOf: told.originalOf,
    everyModel: told.everyModel,
    models: told.models,
    unbound: told.unbound,
    stock: numberText(told.stock),
    note: told.note,
    rating: ratingTyped(told.rating, told.ratingCount),
    guarantee: numberText(told.guaranteeMonths),
    page: told.page,
  };
}

const whole = (text: string, most: number): number | null | undefined => {
  if (text.trim() === '') return null;
  const value = Number(text.trim());
  return /^\d{1,7}$/.test(text.trim()) && value <= most ? value : undefined;
};

/** What keeps facts of a module that no field shows: ranks, width, density, height, voltages. */
type Base = KnownModule;

/** The module that was typed, with what no field shows. */
function moduleOf(typed: OfferTyped, base: Base): MemoryModule | null {
  const generation = GENERATIONS.find((one) => one === typed.generation) ?? null;
  const [buffering = 'unbuffered', ecc] = typed.kind.split(' ');
  return wholeModule({
    ...base,
    capacityMiB: parseCapacity(typed.capacity),
    generation,
    form: typed.form || null,
    rateMTs: whole(typed.rate, MOST_RATE_MTS) ?? null,
    casLatency: clOf(typed.cl),
    buffering: buffering as Buffering,
    ecc: ecc === 'ecc',
    // Facts of another generation are none of this one.
    voltagesMv: base.generation === generation ? base.voltagesMv : null,
    maker: typed.maker.trim() || null,
    part: typed.part.trim() || null,
  });
}

const MOST_RATE_MTS = 20_000;
const clOf = (text: string): number | null => (isTyped(text) ? Number(text.replace(',', '.')) : null);

/** An offer as it is sent, with its price in the currency that its seller prints in. */
export interface SentOffer {
  offer: object;
  priceCents: number | null;
}

interface Reading {
  base: Base;
  /** of the seller */
  currency: string;
  /** an offer that is there already has its prices elsewhere */
  needsPrice: boolean;
}

/** The offer that was typed as it is sent, or what is wrong with it field by field. */
export function readOffer(
  t: StaffWords<'offers'>,
  typed: OfferTyped,
  { base, currency, needsPrice }: Reading,
): Read<OfferTyped, SentOffer> {
  const rateMTs = whole(typed.rate, MOST_RATE_MTS);
  const cl = clOf(typed.cl);
  const modules = whole(typed.modules, 8);
  const stock = whole(typed.stock, 1_000_000);
  const leadDays = whole(typed.leadDays, 365);
  const rating = parseRating(typed.rating);
  const guaranteeMonths = whole(typed.guarantee, 1200);
  const page = typed.page.trim();
  const priceCents = isTyped(typed.price) ? parseMoneyIn(typed.price, currency) : null;
  const looked = {
    title: !isTyped(typed.title) && t('faults.what'),
    sellerId: typed.sellerId === '' && t('faults.seller'),
    price: isTyped(typed.price)
      ? (priceCents === null || priceCents <= 0) && t('faults.amount')
      : needsPrice && t('faults.price'),
    modules: (modules == null || modules < 1) && t('faults.pack'),
    capacity: parseCapacity(typed.capacity) === null && t('faults.size'),
    generation: typed.generation === '' && t('faults.generation'),
    form: typed.form === '' && t('faults.form'),
    rate: (rateMTs == null || rateMTs < 66) && t('faults.rate'),
    cl: cl !== null && !(cl > 0 && cl < 200) && t('faults.latency'),
    stock: stock === undefined && t('faults.number'),
    leadDays: leadDays === undefined && t('faults.days'),
    rating: rating === undefined && t('seller.faults.rating'),
    guarantee: (guaranteeMonths === undefined || guaranteeMonths === 0) && t('faults.months'),
    page: page !== '' && !isWebAddress(page) && t('faults.page'),
    ...originFaults(t, typed),
  };
  const module = moduleOf(typed, base);
  const isRight = Object.values(looked).every((sentence) => typeof sentence !== 'string');
  const rate = isRight && module === null && t('faults.noModule');
  return readTyped<OfferTyped, SentOffer>({ ...looked, rate: looked.rate || rate }, () => ({
    priceCents,
    offer: {
      sellerId: Number(typed.sellerId),
      sellerPart: typed.sellerPart.trim(),
      title: typed.title.trim(),
      modules,
      module,
      origin: typed.origin,
      originalOf: typed.originalOf.trim(),
      everyModel: typed.origin === 'original' && typed.everyModel,
      modelIds: typed.models.map(({ id }) => id),
      unbound: [...typed.unbound],
      stock,
      leadDays,
      ...(rating ?? { rating: null, ratingCount: null }),
      page: page === '' ? null : page,
      guaranteeMonths,
      note: typed.note.trim(),
    },
  }));
}

/** Where a part comes from, as it is typed. */
export type OriginTyped = Pick<OfferTyped, 'origin' | 'originalOf' | 'everyModel' | 'models' | 'unbound'>;

/** What is missing of an original: whose it is, and which models it is for. */
export function originFaults(
  t: StaffWords<'offers'>,
  { origin, originalOf, everyModel, models, unbound }: OriginTyped,
) {
  const isOriginal = origin === 'original';
  return {
    originalOf: isOriginal && originalOf.trim() === '' && t('faults.maker'),
    models: isOriginal && !everyModel && models.length + unbound.length === 0 && t('faults.models'),
  };
}
