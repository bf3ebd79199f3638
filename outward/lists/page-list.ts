import Papa from 'papaparse';
import { plainMoney } from '../../core/pricing/currency';
import { readPageProducts } from '../../core/reading/listing/product-page';
import type { Reading } from '../../core/reading/reading';

/** Headings of a page's offers as a price list, one for each role that a list's columns can have. */
const HEADINGS = [
  'SKU',
  'Description',
  'Manufacturer',
  'Part number',
  'Price',
  'Currency',
  'Stock',
  'Condition',
  'Origin',
  'Fits',
  'Capacity per module',
  'Modules',
  'Generation',
  'Form factor',
  'Speed',
  'CL',
] as const;

const MIB_PER_GIB = 1024;

const stockText = (available: boolean | null): string =>
  available === null ? '' : available ? 'in stock' : 'sold out';

function rowOf({ module, offer }: Reading): string[] | null {
  if (module === undefined || offer === undefined || offer.priceCents === null) return null;
  const { capacityMiB, generation, form, maker, part, rateMTs, casLatency } = module;
  const { original, sku, title, currency, available, condition, modules } = offer;
  return [
    sku ?? part ?? '',
    title ?? '',
    maker ?? '',
    part ?? '',
    plainMoney(offer.priceCents, currency ?? 'EUR'),
    currency ?? '',
    stockText(available),
    condition ?? '',
    original === undefined ? '' : `original ${original.of ?? ''}`.trim(),
    original?.madeFor.join('; ') ?? '',
    capacityMiB === null ? '' : `${capacityMiB / MIB_PER_GIB} GB`,
    String(modules ?? 1),
    generation ?? '',
    form ?? '',
    rateMTs === null ? '' : String(rateMTs),
    casLatency === null ? '' : String(casLatency),
  ];
}

/**
 * The offers of a page's data (schema.org Product, Offer) as a price list in separated values, so that a page goes the way of
 * every list.
 *
 * @returns null where the page sells nothing
 */
export function pageList(page: string): string | null {
  const rows = readPageProducts(page).flatMap((reading) => {
    const row = rowOf(reading);
    return row === null ? [] : [row];
  });
  return rows.length === 0 ? null : Papa.unparse({ fields: [...HEADINGS], data: rows });
}
