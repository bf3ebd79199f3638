import { isA, type Token, type TokenOf } from './tokens';

/** The most that runs with so many modules in a channel, MT/s; with modules of at least so many ranks where that is said. */
export interface SaidLoad {
  modulesPerChannel: number;
  ranks: number | null;
  maxRateMTs: number;
  start: number;
  end: number;
}

type Load = TokenOf<'load'>;

/** The head of a table that has a column for each number of modules in a channel, or for each number of ranks. */
export interface LoadColumns {
  loads: Load[];
  ranks: TokenOf<'ranks'>[];
  /** units that the table may still have */
  left: number;
}

const MOST_ROWS = 40;

/** A line that heads such columns: loads, and no rates. */
export function loadColumns(tokens: readonly Token[]): LoadColumns | null {
  const [loads, ranks] = [tokens.filter(isA('load')), tokens.filter(isA('ranks'))];
  if (tokens.some((token) => token.is === 'rate' && !token.bare)) return null;
  const isOther = tokens.some(({ is }) => is === 'slot' || is === 'capacity' || is === 'split');
  const isHead =
    (loads.length > 0 && !isOther) || (ranks.length > 1 && tokens.every(({ is }) => is === 'ranks' || is === 'comma'));
  return isHead ? { loads, ranks, left: MOST_ROWS } : null;
}

const ranksBefore = (tokens: readonly Token[], start: number): number[] =>
  tokens
    .filter(isA('ranks'))
    .filter((token) => token.end <= start)
    .map(({ ranks }) => ranks);

const each = (ranks: readonly number[]): (number | null)[] =>
  ranks.length === 0 ? [null] : [...new Set(ranks)].sort((a, b) => a - b);

/** Rows of a line under such columns: as many rates as there are columns, for the ranks that the line names. */
export function rowsUnder({ loads, ranks }: LoadColumns, tokens: readonly Token[]): SaidLoad[] {
  const rates = tokens.filter(isA('rate'));
  const load = tokens.find(isA('load'));
  if (loads.length === 0) {
    if (load === undefined || rates.length !== ranks.length) return [];
    return rates.map((rate, index) => ({
      modulesPerChannel: load.modules,
      ranks: ranks[index]?.ranks ?? null,
      maxRateMTs: rate.rateMTs,
      start: rate.start,
      end: rate.end,
    }));
  }
  if (rates.length !== loads.length || rates.length === 0) return [];
  return rates.flatMap((rate, index) => {
    const modulesPerChannel = loads[index]?.modules ?? 1;
    return each(ranksBefore(tokens, rate.start)).map((ranks) => ({
      modulesPerChannel,
      ranks,
      maxRateMTs: rate.rateMTs,
      start: rate.start,
      end: rate.end,
    }));
  });
}

/** A rate that a word for overclocking follows is none that the standard has. */
function isOverclocked(tokens: readonly Token[], index: number): boolean {
  const [rate, next, after] = tokens.slice(index, index + 3);
  const mark = next?.is === 'open' ? after : next;
  return rate !== undefined && mark?.is === 'overclock' && mark.start - rate.end <= 3;
}

/** Loads and rates of one line, each load with the rate behind it, or before it where the line begins with a rate. */
export function loadsOf(tokens: readonly Token[]): SaidLoad[] {
  const loads = tokens.filter(isA('load'));
  const rates = tokens.filter(
    (token, index): token is TokenOf<'rate'> => token.is === 'rate' && !isOverclocked(tokens, index),
  );
  const [firstLoad, firstRate] = [loads[0], rates[0]];
  if (firstLoad === undefined || firstRate === undefined) return [];
  const rateFirst = firstRate.start < firstLoad.start;
  return loads.flatMap((load, index) => {
    const [from, to] = rateFirst
      ? [loads[index - 1]?.end ?? 0, load.start]
      : [load.end, loads[index + 1]?.start ?? Number.POSITIVE_INFINITY];
    const own = rates.filter(({ start }) => start >= from && start < to);
    const inside = tokens.filter(({ start }) => start >= Math.min(from, load.start) && start < to);
    const rows = ownRows(load, own, inside);
    return rows;
  });
}

/** One rate for all ranks that stand beside it, or a rate for each of several ranks. */
function ownRows(load: Load, own: readonly TokenOf<'rate'>[], inside: readonly Token[]): SaidLoad[] {
  const ranked = inside.filter(isA('ranks'));
  const [only] = own;
  if (only === undefined) return [];
  const row = (ranks: number | null, rate: TokenOf<'rate'>): SaidLoad => ({
    modulesPerChannel: load.modules,
    ranks,
    maxRateMTs: rate.rateMTs,
    start: Math.min(load.start, rate.start),
    end: Math.max(load.end, rate.end),
  });
  if (own.length === 1) return each(ranked.map(({ ranks }) => ranks)).map((ranks) => row(ranks, only));
  if (ranked.length < own.length) return [row(null, only)];
  return own.flatMap((rate, index) => {
    const before = own[index - 1]?.end ?? 0;
    const its = ranked.filter(({ start }) => start >= before && start < rate.start);
    return each(its.map(({ ranks }) => ranks)).map((ranks) => row(ranks, rate));
  });
}
