import { parseCapacity } from '@/core/memory/parse-capacity';
import type { LimitSort } from './limit-words';

export type ParsedLimit = { ok: true; value: unknown } | { ok: false; sentence: string };

function numbers(text: string): number[] | null {
  const parts = text.split(/[\s,·;/]+/).filter(Boolean);
  return parts.every((part) => /^\d{2,5}$/.test(part)) ? parts.map(Number) : null;
}

/** A limit's value as it was typed. A load rule is not typed, only taken or left. */
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
