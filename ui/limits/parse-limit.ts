import { parseCapacity } from '@/core/memory/parse-capacity';
import type { LimitSort } from './limit-words';

export type ParsedLimit = { ok: true; value: unknown } | { ok: false; sentence: string };

function numbers(text: string): number[] | null {
  const parts = text.split(/[\s,·;/]+/).filter(Boolean);
  return parts.every((part) => /^\d{2,5}$/.test(part)) ? parts.map(Number) : null;
}

/** `2 in a channel with 4 ranks: 1066 MT/s`; the words may be left out: `2: 1066`. */
const LOAD_RULE = /^(\d{1,2})(?: in a channel)?(?: with (\d{1,2}) ranks?)?\s*:\s*(\d{2,5})(?:\s*MT\/s)?$/i;

function loadRules(text: string): ParsedLimit {
  const rules = text
    .split(';')
    .map((rule) => LOAD_RULE.exec(rule.trim()))
    .map((found) =>
      found === null
        ? null
        : {
            modulesPerChannel: Number(found[1]),
            ...(found[2] === undefined ? {} : { ranks: Number(found[2]) }),
            maxRateMTs: Number(found[3]),
          },
    );
  return rules.every((rule) => rule !== null && rule.modulesPerChannel > 0)
    ? { ok: true, value: rules }
    : { ok: false, sentence: 'Type rules such as 2 in a channel: 1066; 2 in a channel with 4 ranks: 800.' };
}

/** A limit's value as it was typed. */
export function parseLimit(sort: LimitSort, text: string, list = false): ParsedLimit {
  const plain = text.trim();
  if (sort === 'capacity') {
    const mib = parseCapacity(plain);
    return mib === null ? { ok: false, sentence: 'Type a size above 0, such as 32 GB.' } : { ok: true, value: mib };
  }
  if (sort === 'capacities') {
    const sizes = plain.split(/[,·;]+/).map((one) => parseCapacity(one));
    const known = sizes.filter((mib) => mib !== null);
    return known.length === sizes.length
      ? { ok: true, value: known }
      : { ok: false, sentence: 'Type sizes with commas between, such as 8 GB, 16 GB.' };
  }
  if (sort === 'load') return loadRules(plain);
  if (sort === 'widths') {
    const widths = plain.split(/[\s,·;]+/).map((one) => Number(one.replace(/^x/i, '')));
    return widths.every((width) => [4, 8, 16, 32].includes(width))
      ? { ok: true, value: widths }
      : { ok: false, sentence: 'Type the widths of chips, such as x8 x16.' };
  }
  if (sort === 'names') {
    const names = plain.split(/[\s,]+/).filter(Boolean);
    return names.length > 0
      ? { ok: true, value: names }
      : { ok: false, sentence: 'Type the slots in their order, such as A2 B2 A1 B1.' };
  }
  if (sort === 'rates') {
    const rates = numbers(plain.toLowerCase() === 'any' ? '' : plain);
    if (rates === null) return { ok: false, sentence: 'Type the rates in MT/s: 2133 2400 2666, or "any".' };
    return { ok: true, value: [...new Set(rates)].sort((a, b) => a - b) };
  }
  if (sort === 'millivolts') {
    const volts = plain
      .replace(/V/gi, ' ')
      .split(/[\s·;/]+/)
      .filter(Boolean)
      .map((one) => Math.round(Number(one.replace(',', '.')) * 1000));
    const fine = volts.length > 0 && volts.every((mv) => mv > 500 && mv < 4000);
    return fine ? { ok: true, value: volts } : { ok: false, sentence: 'Type volts, such as 1.35 or 1.35 1.5.' };
  }
  if (sort === 'rate' || sort === 'number') {
    const value = Number(plain.replace(/MT\/s|mm/i, ''));
    return Number.isFinite(value) && value > 0
      ? { ok: true, value }
      : { ok: false, sentence: 'Type a number above 0.' };
  }
  if (sort === 'yes') return { ok: true, value: plain === 'yes' };
  return { ok: true, value: list ? [plain] : plain };
}
