import { makerKey } from '../../maker-key';
import { currencyDecimals } from '../../pricing/currency';
import { parseMoney } from '../../pricing/parse-money';
import { objectsIn, parseJson } from '../bytes/parse-json';
import { meant } from '../placeholder';
import type { Reading, ReadModule, ReadOffer } from '../reading';
import { saidOrigin } from './genuine';
import { readListing } from './listing';

type Node = Record<string, unknown>;

/** Longest opening tag that is looked at, characters. */
const LONGEST_TAG = 500;
const OPENING = /<script\b/gi;
const CLOSING = /<\/script/gi;
const DATA_TYPE = /\btype\s*=\s*["']?application\/ld\+json/i;
/** Blocks of data in one page above this many are not read. */
const MOST_BLOCKS = 50;

/**
 * Contents of a page's JSON-LD scripts (WHATWG HTML: a script's text ends at the next `</script`). Linear: the end of a
 * tag is looked for once, however many tags stand before it.
 */
function* dataBlocks(page: string): Generator<string> {
  let tagEnd = -1;
  OPENING.lastIndex = 0;
  for (let blocks = 0; blocks < MOST_BLOCKS; ) {
    const opening = OPENING.exec(page);
    if (opening === null) return;
    if (tagEnd < opening.index) tagEnd = page.indexOf('>', opening.index);
    if (tagEnd < 0) return;
    const tag = page.slice(opening.index, Math.min(tagEnd, opening.index + LONGEST_TAG));
    if (!DATA_TYPE.test(tag)) continue;
    CLOSING.lastIndex = tagEnd;
    const closing = CLOSING.exec(page);
    if (closing === null) return;
    blocks++;
    yield page.slice(tagEnd + 1, closing.index);
    OPENING.lastIndex = closing.index;
  }
}

/** Does a node have this type (schema.org), alone or among others, with or without the vocabulary before it? */
function hasType(node: Node, name: string): boolean {
  const types: unknown[] = Array.isArray(node['@type']) ? node['@type'] : [node['@type']];
  return types.some((type) => typeof type === 'string' && type.replace(/^.*[/:]/, '') === name);
}

const first = (value: unknown): unknown => (Array.isArray(value) ? value[0] : value);

function textOf(value: unknown): string | null {
  const one = first(value);
  if (typeof one === 'string') return meant(one.slice(0, 500));
  if (typeof one === 'number') return String(one);
  return typeof one === 'object' && one !== null && 'name' in one ? textOf(one.name) : null;
}

/** The last part of a schema.org name: `https://schema.org/InStock` → `InStock`. */
const termOf = (value: unknown): string | null => textOf(value)?.replace(/^.*[/:]/, '') ?? null;

const CONDITIONS: Record<string, NonNullable<ReadOffer['condition']>> = {
  NewCondition: 'new',
  UsedCondition: 'used',
  RefurbishedCondition: 'refurbished',
  DamagedCondition: 'damaged',
};

const AVAILABLE: Record<string, boolean> = {
  InStock: true,
  InStoreOnly: true,
  LimitedAvailability: true,
  OnlineOnly: true,
  BackOrder: false,
  Discontinued: false,
  OutOfStock: false,
  PreOrder: false,
  SoldOut: false,
};

/** Currencies without minor units (ISO 4217 exponent 0) that sellers of modules use. */
/** Decimals of a currency that a page names; of one that is none, or of none at all, two. */
function decimalsOf(currency: string | null): number {
  return currency !== null && /^[A-Z]{3}$/.test(currency) ? currencyDecimals(currency) : 2;
}

function centsOf(value: unknown, currency: string | null): number | null {
  const decimals = decimalsOf(currency);
  const one = first(value);
  if (typeof one === 'number') {
    const cents = Math.round(one * 10 ** decimals);
    return Number.isSafeInteger(cents) && cents > 0 ? cents : null;
  }
  if (typeof one !== 'string') return null;
  // Groups of thousands are set apart by commas where a point follows (schema.org asks for a point and no groups).
  const plain = /^[\d,]+\.\d{1,2}$/.test(one.trim()) ? one.replace(/,/g, '') : one.replace(/\.(?=\d{1,3}$)/, '.');
  const cents = parseMoney(plain, decimals);
  return cents !== null && cents > 0 ? cents : null;
}

interface Price {
  cents: number | null;
  currency: string | null;
  warnings: string[];
}

function priceOf(offer: Node, count: number): Price {
  const nested = first(offer.priceSpecification);
  const specification: Node = typeof nested === 'object' && nested !== null ? (nested as Node) : {};
  const currency = textOf(offer.priceCurrency) ?? textOf(specification.priceCurrency);
  const code = currency !== null && /^[A-Z]{3}$/.test(currency) ? currency : null;
  const cents = centsOf(offer.price ?? specification.price, code);
  const lowest = cents === null && hasType(offer, 'AggregateOffer') ? centsOf(offer.lowPrice, code) : null;
  const warnings = [
    ...(lowest === null ? [] : ['the page gives a span of prices: the lowest is taken']),
    ...(count > 1 ? [`the page holds ${count} offers: the first is taken`] : []),
  ];
  return { cents: cents ?? lowest, currency: code, warnings };
}

function offersOf(product: Node): Node[] {
  const offers: unknown[] = Array.isArray(product.offers) ? product.offers : [product.offers];
  return offers.filter((offer): offer is Node => typeof offer === 'object' && offer !== null);
}

/** The product's named properties in one line, as a seller's title would have them. */
function propertiesText(product: Node): string {
  const properties: unknown[] = Array.isArray(product.additionalProperty) ? product.additionalProperty : [];
  return properties
    .slice(0, 40)
    .filter((one): one is Node => typeof one === 'object' && one !== null)
    .map((one) => `${textOf(one.name) ?? ''}: ${textOf(one.value) ?? ''}`)
    .join(', ')
    .slice(0, 2000);
}

/** The title's word, and where it says nothing the property's. */
function filled(title: ReadModule, properties: ReadModule): ReadModule {
  const pairs = Object.entries(title).map(([name, value]) => {
    const said = value !== null && !(Array.isArray(value) && value.length === 0);
    return [name, said ? value : properties[name as keyof ReadModule]];
  });
  return Object.fromEntries(pairs) as unknown as ReadModule;
}

const nodesOf = (value: unknown): Node[] =>
  (Array.isArray(value) ? value : [value]).filter((one): one is Node => typeof one === 'object' && one !== null);

const brandOf = (node: Node): string | null => textOf(node.brand) ?? textOf(node.manufacturer);

/** Machines that a product says it belongs to (schema.org isAccessoryOrSparePartFor); one may be a name alone. */
function machinesOf(product: Node): { names: string[]; makers: string[] } {
  const told = product.isAccessoryOrSparePartFor;
  const nodes = nodesOf(told).slice(0, MOST_MACHINES);
  const bare = (Array.isArray(told) ? told : [told]).filter((one): one is string => typeof one === 'string');
  const named = nodes.flatMap((node) => textOf(node.name) ?? textOf(node.model) ?? textOf(node.mpn) ?? []);
  return {
    names: [...new Set([...named, ...bare.slice(0, MOST_MACHINES)])].map((name) => name.slice(0, 80)),
    makers: nodes.flatMap((node) => brandOf(node) ?? []),
  };
}

const MOST_MACHINES = 40;

/** Is a product a machine maker's own part? By its words, or because the machines that it is for are of its brand. */
function originalOf(product: Node): Pick<ReadOffer, 'original'> {
  const brand = brandOf(product);
  const machines = machinesOf(product);
  const said = saidOrigin(
    `${textOf(product.name) ?? ''}. ${textOf(product.category) ?? ''}. ${textOf(product.description) ?? ''}`,
  );
  const isOfBrand = brand !== null && machines.makers.some((maker) => makerKey(maker) === makerKey(brand));
  if (said.isCompatible || !(said.isGenuine || isOfBrand)) return {};
  const of = isOfBrand ? brand : (machines.makers[0] ?? brand);
  return { original: { of, madeFor: machines.names.length > 0 ? machines.names : said.madeFor } };
}

const figureOf = (value: unknown): number => {
  const one = first(value);
  return typeof one === 'number' ? one : Number((textOf(one) ?? '').replace(',', '.') || Number.NaN);
};

/** What buyers say of it, on the scale that the page gives, which is one to five where it gives none (schema.org AggregateRating). */
function ratedOf(product: Node): Pick<ReadOffer, 'rated'> {
  const [told] = nodesOf(product.aggregateRating);
  if (told === undefined) return {};
  const [value, count] = [figureOf(told.ratingValue), figureOf(told.ratingCount ?? told.reviewCount)];
  const [worst, best] = [figureOf(told.worstRating ?? 1), figureOf(told.bestRating ?? 5)];
  if (!(best > worst && value >= worst && value <= best && Number.isInteger(count) && count > 0)) return {};
  const rating = Math.round(100 + (400 * (value - worst)) / (best - worst));
  return { rated: { rating, ratingCount: Math.min(count, MOST_RATINGS) } };
}

/** Months in a unit of time (UN/CEFACT codes, or words). */
const MONTHS_IN: Readonly<Record<string, number>> = { MON: 1, ANN: 12, month: 1, months: 1, year: 12, years: 12 };
const MOST_MONTHS = 1200;

/** How long somebody answers for it (schema.org WarrantyPromise, its durationOfWarranty). */
function guaranteeOf(offer: Node): Pick<ReadOffer, 'guaranteeMonths'> {
  const [promise] = nodesOf(offer.warranty);
  const [duration] = nodesOf(promise?.durationOfWarranty);
  const unit = MONTHS_IN[textOf(duration?.unitCode) ?? textOf(duration?.unitText) ?? ''] ?? 0;
  const months = Math.round(figureOf(duration?.value) * unit);
  return months >= 1 && months <= MOST_MONTHS ? { guaranteeMonths: months } : {};
}

const MOST_RATINGS = 10_000_000;

function readProduct(product: Node, others: number): Reading {
  const name = textOf(product.name) ?? '';
  // The page's data say surer than its title whose part it is.
  const { offer: titled, ...title } = readListing(name);
  const { original: _, ...told } = titled;
  const offers = offersOf(product);
  const offer = offers[0] ?? {};
  const price = priceOf(offer, offers.length);
  const properties = propertiesText(product);
  const module = properties === '' ? title.module : filled(title.module, readListing(properties).module);
  const condition = CONDITIONS[termOf(offer.itemCondition ?? product.itemCondition) ?? ''];
  return {
    format: 'product-page',
    module: {
      ...module,
      maker: textOf(product.brand) ?? textOf(product.manufacturer),
      part: textOf(product.mpn) ?? module.part,
    },
    offer: {
      ...told,
      priceCents: price.cents,
      currency: price.currency,
      seller: textOf(offer.seller) ?? textOf(offer.offeredBy),
      condition: condition ?? told.condition,
      available: AVAILABLE[termOf(offer.availability) ?? ''] ?? null,
      sku: textOf(product.sku) ?? textOf(offer.sku),
      url: textOf(offer.url) ?? textOf(product.url),
      ...ratedOf(product),
      ...guaranteeOf(offer),
      ...originalOf(product),
    },
    warnings: [
      ...title.warnings,
      ...(module.capacityMiB === null && module.generation === null
        ? ['the product’s name does not say a memory module']
        : []),
      ...(price.cents === null ? ['no price is told'] : []),
      ...price.warnings,
      ...(others > 0 ? [`the page holds ${others + 1} products: the first that is memory is taken`] : []),
    ],
  };
}

/** Products in a JSON value, outermost first (schema.org Product). */
function productsIn(value: unknown): Node[] {
  const products: Node[] = [];
  // The machine that a part is for is a product as well, and not the one that is sold.
  const machines = new Set<unknown>();
  for (const { object } of objectsIn(value)) {
    if (!hasType(object, 'Product') || machines.has(object)) continue;
    products.push(object);
    for (const machine of nodesOf(object.isAccessoryOrSparePartFor)) machines.add(machine);
  }
  return products;
}

/** Of several products the first whose name says a memory module, else the first of all. */
export function readProducts(products: readonly Node[]): Reading | null {
  const memory = products.find((product) => readListing(textOf(product.name) ?? '').module.generation !== null);
  const product = memory ?? products[0];
  return product === undefined ? null : readProduct(product, products.length - 1);
}

/** Reads JSON-LD that stands alone. Null: there is no product in it. */
export function readProductJson(value: unknown): Reading | null {
  return readProducts(productsIn(value));
}

/** Is this a saved page? Told by a tag at its beginning, or a data script anywhere. */
export function looksLikePage(text: string): boolean {
  return (
    /^\s*<(?:!doctype|html|head|body|\?xml|!--)/i.test(text.slice(0, 2000)) || DATA_TYPE.test(text.slice(0, 200_000))
  );
}

/** Every product that a page's data sell, each as a page of it alone would read. Empty: there is none. */
export function readPageProducts(page: string): Reading[] {
  const json = looksLikePage(page) ? null : parseJson(page);
  const products = json === null ? productsOfPage(page) : productsIn(json.value);
  return products.slice(0, MOST_PRODUCTS).map((product) => readProduct(product, 0));
}

/** Products of one page that are read. */
const MOST_PRODUCTS = 5_000;

function productsOfPage(page: string): Node[] {
  const products: Node[] = [];
  for (const block of dataBlocks(page)) {
    const parsed = parseJson(block);
    if (parsed !== null) products.push(...productsIn(parsed.value));
  }
  return products;
}

/** Reads a seller's saved page by its JSON-LD (schema.org Product, Offer). Null: there is no product in it. */
export function readProductPage(page: string): Reading | null {
  return readProducts(productsOfPage(page));
}
