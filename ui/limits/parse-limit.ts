import { parseCapacity } from '@/core/memory/parse-capacity';
import type { StaffWords } from '@/words/staff-words';
import type { LimitSort } from './limit-words';

export type ParsedLimit = { ok: true; value: unknown } | { ok: false; sentence: string };

function numbers(text: string): number[] | null {
  const parts = text.split(/[\s,·;/]+/).filter(Boolean);
  return parts.every((part) => /^\d{2,5}$/.test(part)) ? parts.map(Number) : null;
}

/** `2 per channel with 4 ranks: 1066 MT/s`, also as German screens show it; the words may be left out: `2: 1066`. */
const LOAD_RULE =
  /^(\d{1,2})(?: (?:in a|per|je) (?:channel|kanal))?(?: (?:with|mit) (\d{1,2}) (?:ranks?|r[aä]ng(?:en?)?))?\s*:\s*(\d{2,5})(?:\s*MT\/s)?$/i;

function loadRules(t: StaffWords<'limits'>, text: string): ParsedLimit {
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
    : { ok: false, sentence: t('faults.loads') };
}

/** A limit's value as it was typed. */
export function parseLimit(t: StaffWords<'limits'>, sort: LimitSort, text: string, list = false): ParsedLimit {
  const plain = text.trim();
  if (sort === 'capacity') {
    const mib = parseCapacity(plain);
    return mib === null ? { ok: false, sentence: t('faults.size') } : { ok: true, value: mib };
  }
  if (sort === 'capacities') {
    const sizes = plain.split(/[,·;]+/).map((one) => parseCapacity(one));
    const known = sizes.filter((mib) => mib !== null);
    return known.length === sizes.length ? { ok: true, value: known } : { ok: false, sentence: t('faults.sizes') };
  }
  if (sort === 'load') return loadRules(t, plain);
  if (sort === 'widths') {
    const widths = plain.split(/[\s,·;]+/).map((one) => Number(one.replace(/^x/i, '')));
    return widths.every((width) => [4, 8, 16, 32].includes(width))
      ? { ok: true, value: widths }
      : { ok: false, sentence: t('faults.widths') };
  }
  if (sort === 'names') {
    const names = plain.split(/[\s,]+/).filter(Boolean);
    return names.length > 0 ? { ok: true, value: names } : { ok: false, sentence: t('faults.order') };
  }
  if (sort === 'rates') {
    const rates = numbers(/^(?:any|alle)$/i.test(plain) ? '' : plain);
    if (rates === null) return { ok: false, sentence: t('faults.rates') };
    return { ok: true, value: [...new Set(rates)].sort((a, b) => a - b) };
  }
  if (sort === 'millivolts') {
    const volts = plain
      .replace(/V/gi, ' ')
      .split(/[\s·;/]+/)
      .filter(Boolean)
      .map((one) => Math.round(Number(one.replace(',', '.')) * 1000));
    const fine = volts.length > 0 && volts.every((mv) => mv > 500 && mv < 4000);
    return fine ? { ok: true, value: volts } : { ok: false, sentence: t('faults.volts') };
  }
  if (sort === 'rate' || sort === 'number') {
    const value = Number(plain.replace(/MT\/s|mm/i, ''));
    return Number.isFinite(value) && value > 0 ? { ok: true, value } : { ok: false, sentence: t('faults.number') };
  }
  if (sort === 'yes') return { ok: true, value: /^(?:yes|ja)$/i.test(plain) };
  return { ok: true, value: list ? [plain] : plain };
}
