import Papa from 'papaparse';
import type { MemoryModule } from '../../core/memory/module';
import { plainMoney } from '../../core/pricing/currency';
import { guarded } from './csv-cell';

/** An offer as it stands in a file. Money minor units. */
export interface OfferLine {
  title: string;
  sellerName: string | null;
  origin: string;
  modules: number;
  module: MemoryModule;
  stock: number | null;
  leadDays: number | null;
  costCents: number;
  sellCents: number;
  pricedAt: string;
}

const HEADINGS = [
  'text',
  'seller',
  'origin',
  'modules',
  'capacity GB',
  'generation',
  'form',
  'buffering',
  'ECC',
  'rate MT/s',
  'CL',
  'ranks',
  'maker',
  'part',
  'stock',
  'days',
  'cost',
  'price with tax',
  'currency',
  'priced at',
];

const known = (value: string | number | null | undefined): string => (value == null ? '' : String(value));

/** Offers as CSV (RFC 4180), safe to open in a spreadsheet; what nobody said is empty. */
export function offersCsv(offers: readonly OfferLine[], currency: string): string {
  const rows = offers.map(({ module, ...offer }) => [
    offer.title,
    offer.sellerName ?? 'Stock',
    offer.origin,
    String(offer.modules),
    String(module.capacityMiB / 1024),
    module.generation,
    module.form,
    module.buffering,
    module.ecc ? 'yes' : 'no',
    String(module.rateMTs),
    known(module.casLatency),
    known(module.ranks),
    known(module.maker),
    known(module.part),
    known(offer.stock),
    known(offer.leadDays),
    plainMoney(offer.costCents, currency),
    plainMoney(offer.sellCents, currency),
    currency,
    offer.pricedAt,
  ]);
  return `${Papa.unparse([HEADINGS, ...rows.map((row) => row.map(guarded))], { newline: '\r\n' })}\r\n`;
}
