import type { Machine } from '../model/case';

/** A range of how many modules the fullest channel holds, with the cap that the load then puts on every module. */
export interface LoadCap {
  least: number;
  most: number;
  /** MT/s; Infinity: none */
  maxRateMTs: number;
}

/**
 * The caps of a set by its load, the highest first.
 *
 * @param mostRanks the most ranks any of its modules has; 0: not known
 */
export function loadCaps({ rateByLoad }: Machine, mostRanks: number): LoadCap[] {
  const holding = (rateByLoad ?? []).filter((rule) => mostRanks >= (rule.ranks ?? 0));
  const caps: LoadCap[] = [{ least: 0, most: Number.POSITIVE_INFINITY, maxRateMTs: Number.POSITIVE_INFINITY }];
  for (const rule of [...holding].sort((a, b) => a.modulesPerChannel - b.modulesPerChannel)) {
    const last = caps.at(-1);
    if (last === undefined || rule.maxRateMTs >= last.maxRateMTs) continue;
    last.most = rule.modulesPerChannel - 1;
    if (last.most < last.least) caps.pop();
    caps.push({ least: rule.modulesPerChannel, most: Number.POSITIVE_INFINITY, maxRateMTs: rule.maxRateMTs });
  }
  return caps;
}

/** The cap that holds where the fullest channel holds so many modules, MT/s; Infinity: none. */
export function capUnderLoad(caps: readonly LoadCap[], fullest: number): number {
  return caps.find(({ most }) => fullest <= most)?.maxRateMTs ?? Number.POSITIVE_INFINITY;
}
