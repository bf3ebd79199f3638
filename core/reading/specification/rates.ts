import { GENERATION_FACTS, type Generation } from '../../memory/generation';
import { isA, type Token, type TokenOf } from './tokens';
import { has, type SpecUnit } from './units';
import { SPEED_LABEL, TYPE_LABEL } from './words';

/** A rate that a unit says is taken, MT/s; an overclocked one needs a profile. */
export interface SaidRate {
  rateMTs: number;
  isOverclock: boolean;
  isConditional: boolean;
  start: number;
  end: number;
}

type Rate = TokenOf<'rate'>;
const isRate = isA('rate');

/** Rates that stand in a row. */
interface RateGroup {
  rates: { rate: Rate; isOverclock: boolean }[];
  from: number;
  to: number;
}

const WITHIN = new Set(['or', 'and', 'comma', 'open', 'close', 'overclock', 'generation', 'max', 'memory']);

function groupsOf(text: string, tokens: readonly Token[]): RateGroup[] {
  const groups: RateGroup[] = [];
  tokens.forEach((token, index) => {
    if (!isRate(token)) return;
    const next = tokens[index + 1];
    const after = next?.is === 'open' || next?.is === 'or' ? tokens[index + 2] : next;
    const behind =
      after?.is === 'overclock' && after.start - token.end <= 3 && !/\//.test(text.slice(token.end, after.start));
    const last = groups.at(-1);
    const between = last === undefined ? [] : tokens.slice(last.to + 1, index);
    const near =
      last !== undefined &&
      between.every(({ is }) => WITHIN.has(is)) &&
      !between.some(({ is }, at) => is === 'overclock' && between[at - 1]?.is === 'comma') &&
      token.start - (tokens[last.to]?.end ?? 0) <= 24;
    const one = { rate: token, isOverclock: behind };
    if (last !== undefined && near) {
      last.rates.push(one);
      last.to = index;
    } else groups.push({ rates: [one], from: index, to: index });
  });
  return groups;
}

/** A bare number right behind one of these may be a rate: `DDR4 SODIMM 2666`. */
const BESIDE = new Set(['capacity', 'form', 'generation', 'module', 'memory', 'buffering', 'ecc']);

/** Is a number without a unit a rate? In a row with one that has a unit, behind a generation, or where rates are asked for. */
function believed(unit: SpecUnit, tokens: readonly Token[], { rates, from }: RateGroup): boolean {
  if (rates.some(({ rate }) => !rate.bare)) return true;
  const before = tokens[from - 1];
  const isAsked =
    unit.labelEnd > 0 &&
    has(SPEED_LABEL, unit.text.slice(0, unit.labelEnd)) &&
    (rates[0]?.rate.start ?? 0) >= unit.labelEnd;
  const named = tokens.filter(isA('generation')).map(({ generation }) => generation);
  const isBeside = before !== undefined && BESIDE.has(before.is) && (rates[0]?.rate.start ?? 0) - before.end <= 3;
  const isStandard = isBeside && named.length > 0 && rates.every(({ rate }) => isStandardRate(rate.rateMTs, named));
  return isAsked || isStandard || before?.is === 'generation' || before?.is === 'overclock';
}

const CLAUSE = new Set(['but', 'capacity', 'split']);

/** Are these rates what is taken, not those of what is sold, of a bus or of a processor? */
function isTaken(unit: SpecUnit, tokens: readonly Token[], { rates, from, to }: RateGroup): boolean {
  const left = tokens.slice(0, from).reverse();
  const near = left.slice(0, left.findIndex(({ is }) => is === 'comma' || is === 'but') >>> 0);
  if (near.find(({ is }) => is === 'foreign' || is === 'memory' || is === 'generation')?.is === 'foreign') return false;
  const right = tokens.slice(to + 1);
  const behind = right[0];
  if (behind?.is === 'foreign' && behind.start - (tokens[to]?.end ?? 0) <= 12) return false;
  const isOfMemory =
    unit.topic === 'memory' || tokens.some(({ is }) => is === 'memory' || is === 'generation' || is === 'form');
  if (!isOfMemory && rates.length === 1) return false;
  const label = tokens.filter(({ end }) => end <= unit.labelEnd);
  const labelText = unit.text.slice(0, unit.labelEnd);
  const before = left.slice(0, left.findIndex(({ is }) => CLAUSE.has(is)) >>> 0);
  if (before.some(({ is }) => is === 'max' || is === 'supports') || behind?.is === 'max' || behind?.is === 'supports')
    return true;
  if (rates.length > 1) return true;
  if (label.some(({ is }) => is === 'max' || is === 'slot' || is === 'supports')) return true;
  const isSized = tokens.some(({ is }) => is === 'capacity' || is === 'split');
  if (label.some(({ is }) => is === 'standard') && (isSized || !has(TYPE_LABEL, labelText))) return false;
  if (unit.labelEnd > 0 && (has(TYPE_LABEL, labelText) || has(SPEED_LABEL, labelText))) return true;
  if (tokens.some(({ is }) => is === 'slot' || is === 'max' || is === 'supports'))
    return !hasStandardSize(tokens, from, to);
  return !tokens.some(({ is }) => is === 'capacity' || is === 'split' || is === 'standard');
}

/** Does a size stand beside the rates, in the same clause, that no word makes a maximum? */
function hasStandardSize(tokens: readonly Token[], from: number, to: number): boolean {
  const start = tokens.slice(0, from).findLastIndex(({ is }) => is === 'comma' || is === 'but') + 1;
  const rest = tokens.slice(to).findIndex(({ is }) => is === 'comma' || is === 'but');
  const clause = tokens.slice(start, rest < 0 ? undefined : to + rest);
  return (
    clause.some(({ is }) => is === 'capacity' || is === 'split') &&
    !clause.some(({ is }) => is === 'max' || is === 'supports')
  );
}

/** Rates of a unit that are taken. Those before a word for overclocking, or in the list that it heads, need a profile. */
export function ratesOf(unit: SpecUnit, tokens: readonly Token[], isDenied: (token: Token) => boolean): SaidRate[] {
  const isConditional = tokens.some(({ is }) => is === 'condition');
  return groupsOf(unit.text, tokens).flatMap((group) => {
    if (!believed(unit, tokens, group) || !isTaken(unit, tokens, group)) return [];
    const head = tokens[group.from - 1];
    const isHeaded =
      head?.is === 'overclock' &&
      /^[ .:)]*(?:(?:memory )?(?:speeds?|rates?|frequenc(?:y|ies)|takt[a-z]*|frequenz(?:en|a)?|vitesses?|velocidades?)[ :]*)?$/.test(
        unit.text.slice(head.end, group.rates[0]?.rate.start),
      );
    return group.rates
      .filter(({ rate }) => !isDenied(rate))
      .map(({ rate, isOverclock }) => ({
        rateMTs: rate.rateMTs,
        isOverclock: isOverclock || isHeaded,
        isConditional,
        start: rate.start,
        end: rate.end,
      }));
  });
}

/** Is this a standard rate of any of the generations; of none where none is known, of any at all? */
export function isStandardRate(rateMTs: number, generations: readonly Generation[]): boolean {
  if (generations.length === 0) return true;
  return generations.some((generation) =>
    GENERATION_FACTS[generation].ratesMTs.some((rate) => Math.abs(rate - rateMTs) <= 1),
  );
}
