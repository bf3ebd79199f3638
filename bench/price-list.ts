/** A price list of any length, the same each time. */
export interface ListSize {
  rows: number;
  /** facts in columns of their own, or all of them in one free text */
  kind: 'structured' | 'titles';
  /** in hundredths: a later list of the same seller has other prices for so many of its rows */
  moved?: number;
}

/** CL of the usual speed bin. */
const LATENCIES: Record<number, number> = {
  1333: 9,
  1600: 11,
  2133: 15,
  2400: 17,
  2666: 19,
  3200: 22,
  4800: 40,
  5200: 42,
  5600: 46,
  6000: 48,
};
const MAKERS = ['Corrick', 'Ostrel', 'Vannel', 'Tarn Works', 'Pellow', 'Brisk & Daughters', 'Hallam', 'Quern'];
const KINDS = [
  { generation: 'DDR3', form: 'DIMM', rates: [1333, 1600], gib: [2, 4, 8] },
  { generation: 'DDR3', form: 'SO-DIMM', rates: [1333, 1600], gib: [2, 4, 8] },
  { generation: 'DDR4', form: 'DIMM', rates: [2133, 2400, 2666, 3200], gib: [4, 8, 16, 32] },
  { generation: 'DDR4', form: 'SO-DIMM', rates: [2133, 2400, 2666, 3200], gib: [4, 8, 16, 32] },
  { generation: 'DDR5', form: 'DIMM', rates: [4800, 5200, 5600, 6000], gib: [8, 16, 24, 32, 48] },
  { generation: 'DDR5', form: 'SO-DIMM', rates: [4800, 5200, 5600], gib: [8, 16, 24, 32, 48] },
] as const;
const PACKS = [1, 1, 1, 2, 2, 4];
const ROWS_A_PIECE = 5_000;

const HEADINGS = {
  structured: 'SKU,Brand,MPN,Generation,Form factor,Capacity per module,Speed,CL,Modules,Price,Stock',
  titles: 'SKU,Description,Price,Stock',
};

const pick = <T>(from: readonly T[], at: number): T => from[at % from.length] as T;

function rowOf(nr: number, kind: ListSize['kind'], moved: number): string {
  // Spread without a generator: neighbours differ in everything.
  const mix = Math.imul(nr, 2654435761) >>> 0;
  const { generation, form, rates, gib } = pick(KINDS, mix >>> 3);
  const rate = pick<number>(rates, mix >>> 7);
  const size = pick<number>(gib, mix >>> 11);
  const modules = pick(PACKS, mix >>> 15);
  const maker = pick(MAKERS, mix >>> 19);
  const latency = LATENCIES[rate];
  const dearer = nr % 100 < moved ? 1.04 : 1;
  const price = ((size * modules * (180 + (mix % 90)) * dearer) / 100).toFixed(2);
  const stock = mix % 40;
  return kind === 'structured'
    ? `PL-${nr},${maker},${maker.slice(0, 2).toUpperCase()}${mix % 100_000},${generation},${form},${size} GB,${rate},${latency},${modules},${price},${stock}`
    : `PL-${nr},"${maker} ${modules > 1 ? `${modules}x` : ''}${size}GB ${generation}-${rate} CL${latency} ${form}${modules > 1 ? ' kit' : ''}, lot Q${mix % 100_000}",${price},${stock}`;
}

/** The list's bytes, piece by piece. */
export function* priceListPieces({ rows, kind, moved = 0 }: ListSize): Generator<Uint8Array> {
  const encoder = new TextEncoder();
  yield encoder.encode(`${HEADINGS[kind]}\r\n`);
  for (let from = 1; from <= rows; from += ROWS_A_PIECE) {
    const lines: string[] = [];
    for (let nr = from; nr < from + ROWS_A_PIECE && nr <= rows; nr++) lines.push(rowOf(nr, kind, moved));
    yield encoder.encode(`${lines.join('\r\n')}\r\n`);
  }
}
