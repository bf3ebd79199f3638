import { GENERATIONS } from '../memory/generation';
import { parseCapacity } from '../memory/parse-capacity';
import { looksLikeListing } from '../reading/listing/listing';
import { listPrice } from './list-price';
import { originCell } from './origin-cell';

/** What a column of a price list can hold. */
export const COLUMN_ROLES = [
  'sku',
  'title',
  'price',
  'currency',
  'stock',
  'capacity',
  'modules',
  'generation',
  'form',
  'rate',
  'latency',
  'maker',
  'part',
  'condition',
  'origin',
  'fits',
] as const;
export type ColumnRole = (typeof COLUMN_ROLES)[number];

/** How one role is told by a column's heading and by what stands in it. */
interface RoleSigns {
  /** headings that hold such a word among others */
  words: RegExp;
  /** words that make a heading mean something near it, such as another price than ours */
  unlike?: RegExp;
  /** bare figures that may be anything: without a heading they tell nothing (`never`), or only in a list without headings */
  unnamed?: 'never' | 'without-headings';
  /** how well a column's cells fit, 0 to 1 */
  cells: (cells: readonly string[]) => number;
}

const share = (cells: readonly string[], fits: (cell: string) => boolean): number =>
  cells.length === 0 ? 0 : cells.filter(fits).length / cells.length;

const distinct = (cells: readonly string[]): number => (cells.length === 0 ? 0 : new Set(cells).size / cells.length);

const whole = (cell: string): number | null => (/^\d{1,7}$/.test(cell.trim()) ? Number(cell) : null);

const isRate = (cell: string): boolean => {
  const rate = /^(?:DDR\d?-?)?(\d{3,4})\s*(?:MHZ|MT\/S)?$/i.exec(cell.trim());
  return rate !== null && Number(rate[1]) >= 200 && Number(rate[1]) <= 9000;
};

const isCapacity = (cell: string): boolean => /\d\s*[MGT]B?$/i.test(cell.trim()) && parseCapacity(cell) !== null;

const isForm = (cell: string): boolean => /^(u|r|lr|fb)?-?(so-?)?dimm$/i.test(cell.trim().replace(/\s+/g, '-'));

const GENERATION = new RegExp(`^(${GENERATIONS.join('|')})L?$`, 'i');

/** A number or code without blanks, letters and figures. */
const isCode = (cell: string): boolean =>
  /^[A-Z0-9][A-Z0-9._/#-]{1,39}$/i.test(cell.trim()) && /\d/.test(cell) && !/^\d+[.,]\d{1,2}$/.test(cell.trim());

/** Money with decimals or a currency's sign tells a price surer than a bare number does. */
function priceCells(cells: readonly string[]): number {
  const fits = share(cells, (cell) => listPrice(cell).ok);
  const marked = share(cells, (cell) => /[€$£]|\b[A-Z]{3}\b|[.,]\d{2}$|,-$/.test(cell.trim()));
  return fits * (0.4 + 0.6 * marked);
}

function stockCells(cells: readonly string[]): number {
  return share(cells, (cell) =>
    /^([<>~]?\s*\d{1,5}\+?|yes|no|in stock|out of stock|available|sold out|y|n)$/i.test(cell.trim()),
  );
}

export const ROLE_SIGNS: Record<ColumnRole, RoleSigns> = {
  sku: {
    words: /\b(sku|artikel|article|item (no|code|number)|order (no|code)|product (id|code)|bestell\w*|reference)\b/,
    unnamed: 'without-headings',
    cells: (cells) => share(cells, isCode) * distinct(cells),
  },
  title: {
    words: /description|\btitle\b|product name|bezeichnung|beschreibung|designation|libelle/,
    // A text that tells little of a module is a text still.
    cells: (cells) =>
      0.7 * share(cells, (cell) => cell.length > 12 && looksLikeListing(cell)) +
      0.3 * share(cells, (cell) => /\p{L}{3,}.*\s/u.test(cell)),
  },
  price: {
    words: /\b(price|preis|prix|cost|netto?|dealer|hek)\b/,
    unlike:
      /\b(each|rrp|uvp|msrp|recommended|retail|list|old|was|per (piece|module|gb)|gross|brutto|ttc|incl\w*|discount)\b/,
    cells: priceCells,
  },
  currency: {
    words: /\b(currency|w(ae|a)hrung|devise)\b/,
    cells: (cells) => share(cells, (cell) => /^[A-Z]{3}$/.test(cell.trim())),
  },
  stock: {
    words: /\b(stock|on hand|avail\w*|bestand|lager\w*|verf\w*)\b/,
    unnamed: 'without-headings',
    cells: stockCells,
  },
  capacity: {
    words: /\b(capacity|kapazit\w*|capacite|size)\b/,
    cells: (cells) => share(cells, isCapacity),
  },
  modules: {
    words: /\b(modules|pieces|pack|kit)\b/,
    unnamed: 'never',
    cells: (cells) => share(cells, (cell) => [1, 2, 3, 4, 6, 8].includes(whole(cell) ?? 0)),
  },
  generation: {
    words: /\b(generation|technology|ddr|memory type)\b/,
    cells: (cells) => share(cells, (cell) => GENERATION.test(cell.trim())),
  },
  form: {
    words: /\b(form ?factor|bauform)\b/,
    cells: (cells) => share(cells, isForm),
  },
  rate: {
    words: /\b(speed|mhz|mt\/?s|frequency|takt|data rate)\b/,
    unnamed: 'never',
    cells: (cells) => share(cells, isRate),
  },
  latency: {
    words: /\b(latency|cas)\b/,
    unnamed: 'never',
    cells: (cells) => share(cells, (cell) => /^(cl)?\s*\d{1,2}$/i.test(cell.trim())),
  },
  maker: {
    words: /\b(brand|manufacturer|hersteller|marque)\b/,
    unnamed: 'without-headings',
    cells: (cells) =>
      share(cells, (cell) => /^[A-Za-z][A-Za-z .&-]{1,30}$/.test(cell.trim())) * (1 - 0.5 * distinct(cells)),
  },
  part: {
    words: /\b(part (no|number)|mpn|p\/n|herstellern\w*)\b/,
    unnamed: 'without-headings',
    cells: (cells) => share(cells, (cell) => isCode(cell) && /[A-Z]/i.test(cell)) * distinct(cells),
  },
  condition: {
    words: /\b(condition|zustand|grade)\b/,
    cells: (cells) =>
      share(cells, (cell) => /^(new|used|refurb(ished)?|grade [a-d]|neu|gebraucht|neuf|occasion)$/i.test(cell.trim())),
  },
  origin: {
    words: /\b(origin|genuine|herkunft|originalteil|origine|origen|herkomst|origem|provenienza)\b/,
    unlike: /\b(country|land|pays|pais|paese)\b/,
    unnamed: 'never',
    // Where half of it is something else, its heading must be very sure.
    cells: (cells) => {
      const fits = share(cells, (cell) => originCell(cell) !== null);
      return fits >= 0.8 ? fits : fits / 2;
    },
  },
  fits: {
    words:
      /\b(fits|suitable|for models?|passend|geeignet|compatible (with|avec)|modelle|modeles|modelos|modelli|modellen)\b/,
    unnamed: 'never',
    cells: (cells) => share(cells, (cell) => /\p{L}/u.test(cell) && !GENERATION.test(cell.trim()) && cell.length > 1),
  },
};
