import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readListing } from './listing/listing';

/** What a title should say, in words of one field each; `null`: not told. */
type Fields = Record<string, string | null>;

interface TitleRow {
  title: string;
  expected: Fields;
}

const BUFFERINGS: Record<string, string> = { u: 'unbuffered', r: 'registered', l: 'load-reduced', f: 'fully-buffered' };
const FORMS: Record<string, string> = {
  so: 'SO-DIMM',
  dimm: 'DIMM',
  mini: 'Mini-DIMM',
  micro: 'Micro-DIMM',
  camm: 'CAMM2',
};

const NOTHING: Fields = {
  capacity: null,
  modules: null,
  generation: null,
  form: null,
  buffering: null,
  ecc: null,
  rate: null,
  cl: null,
  ranks: null,
  width: null,
  voltage: null,
  height: null,
  condition: null,
  price: null,
  currency: null,
  profile: null,
};

/** Patterns of the short words of the lists, with the fields they fill. */
const SHORT: readonly (readonly [RegExp, (found: string[]) => Fields])[] = [
  [/^(\d+|\?)x(\d+|\?)$/, ([, mib = '', count = '']) => ({ capacity: told(mib), modules: told(count) })],
  [/^(\d+)x$/, ([, mib = '']) => ({ capacity: mib, modules: null })],
  [/^((?:LP)?DDR[2-5]?X?|SDR)$/, ([name = '']) => ({ generation: name })],
  [/^(so|dimm|mini|micro|camm)$/, ([name = '']) => ({ form: FORMS[name] ?? null })],
  [/^[urlf]$/, ([name = '']) => ({ buffering: BUFFERINGS[name] ?? null })],
  [/^(no)?ecc$/, ([, no]) => ({ ecc: no === undefined ? 'true' : 'false' })],
  [/^@(\d+)$/, ([, rate = '']) => ({ rate })],
  [/^cl([\d.]+)$/, ([, cl = '']) => ({ cl })],
  [/^(\d)R$/, ([, ranks = '']) => ({ ranks })],
  [/^x(\d+)$/, ([, width = '']) => ({ width })],
  [/^([\d+]+)mV$/, ([, mv = '']) => ({ voltage: mv })],
  [/^([\d.]+)mm$/, ([, height = '']) => ({ height })],
  [/^(new|used|refurbished|damaged)$/, ([name = '']) => ({ condition: name })],
  [/^(\d+)([A-Z]{3}|\?)$/, ([, price = '', currency = '']) => ({ price, currency: told(currency) })],
  [/^p(\d+)\/(\d*)\/(\d*)$/, ([profile = '']) => ({ profile: profile.slice(1) })],
];

const told = (text: string): string | null => (text === '?' ? null : text);

function fieldsOf(words: string): Fields {
  return words.split(/\s+/).reduce<Fields>(
    (fields, one) => {
      for (const [pattern, fill] of SHORT) {
        const found = pattern.exec(one);
        if (found !== null) return Object.assign(fields, fill([...found]));
      }
      throw new Error(`no field is written "${one}" in "${words}"`);
    },
    { ...NOTHING },
  );
}

/** The rows of a list of titles beside this file. */
function titleRows(name: string): TitleRow[] {
  return readFileSync(join(__dirname, 'titles', name), 'utf8')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith('# '))
    .map((line) => {
      const bar = line.lastIndexOf(' | ');
      return { title: line.slice(0, bar), expected: fieldsOf(line.slice(bar + 3).trim()) };
    });
}

const text = (value: string | number | boolean | null): string | null => (value === null ? null : String(value));

/** What the reader says of a title, in the same words. */
function readFields(title: string): Fields {
  const { module, offer } = readListing(title);
  const [profile] = module.profiles;
  return {
    capacity: text(module.capacityMiB),
    modules: text(offer.modules),
    generation: module.generation,
    form: module.form,
    buffering: module.buffering,
    ecc: text(module.ecc),
    rate: text(module.rateMTs),
    cl: text(module.casLatency),
    ranks: text(module.ranks),
    width: text(module.deviceWidth),
    voltage: module.voltagesMv?.join('+') ?? null,
    height: text(module.heightMm),
    condition: offer.condition,
    price: text(offer.priceCents),
    currency: offer.currency,
    profile:
      profile === undefined
        ? null
        : [profile.rateMTs, profile.casLatency, profile.voltageMv].map((one) => one ?? '').join('/'),
  };
}

/** Per field: how many titles are read exactly, and the score in which a wrong value is two misses and a null one. */
function score(name: string): {
  titles: number;
  fields: Record<string, { exact: number; score: number }>;
  wrong: string[];
} {
  const rows = titleRows(name);
  const wrong: string[] = [];
  const fields = Object.keys(NOTHING).map((field) => {
    let exact = 0;
    let misses = 0;
    for (const { title, expected } of rows) {
      const read = readFields(title)[field] ?? null;
      if (read === expected[field]) exact++;
      else {
        misses += read === null ? 1 : 2;
        wrong.push(`${title}: ${field} should be ${expected[field]}, is ${read}`);
      }
    }
    return [field, { exact: exact / rows.length, score: (rows.length - misses) / rows.length }] as const;
  });
  return { titles: rows.length, fields: Object.fromEntries(fields), wrong };
}

describe('the titles the reader was made with', () => {
  const { titles, wrong } = score('tuned.txt');

  it('are at least 250, each once, and all read', () => {
    expect(titles).toBeGreaterThanOrEqual(250);
    expect(new Set(titleRows('tuned.txt').map(({ title }) => title)).size).toBe(titles);
    expect(wrong).toEqual([]);
  });
});

describe('the titles written after the reader', () => {
  const { titles, fields, wrong } = score('unseen.txt');

  it('are 60, and none of them is in the first list', () => {
    const tuned = new Set(titleRows('tuned.txt').map(({ title }) => title));
    expect(titles).toBe(60);
    expect(titleRows('unseen.txt').filter(({ title }) => tuned.has(title))).toEqual([]);
  });

  it('are read in every field to 98 in 100 and more, a wrong value counted twice', () => {
    const lines = Object.entries(fields).map(([field, rates]) => {
      const [exact, scored] = [rates.exact, rates.score].map((rate) => `${(rate * 100).toFixed(1)} %`);
      return `${field.padEnd(11)} exact ${exact}, a wrong value counted twice ${scored}`;
    });
    process.stdout.write(`${[`listing titles not tuned to (${titles}):`, ...lines, ...wrong].join('\n  ')}\n`);
    for (const rates of Object.values(fields)) expect(rates.score).toBeGreaterThanOrEqual(0.98);
  });
});
