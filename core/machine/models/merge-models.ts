import { lettersAndDigits } from '../../letters-and-digits';
import type { FullModel, ModelClaim } from './model';

/** What two entries of one model come to, and what only one of them can be right about. */
export interface Merged {
  model: FullModel;
  /** sentences on what the second says otherwise and was not taken */
  left: string[];
}

/** Both lists, each entry once; what differs only in case and blanks is one. */
function union(a: readonly string[], b: readonly string[]): string[] {
  const known = new Set(a.map(lettersAndDigits));
  return [...a, ...b.filter((one) => !known.has(lettersAndDigits(one)))];
}

function unionBy<T>(a: readonly T[], b: readonly T[], key: (one: T) => string): T[] {
  const known = new Set(a.map(key));
  return [...a, ...b.filter((one) => !known.has(key(one)))];
}

/** A value's text with its names in order, so that equal values meet whichever way they came. */
const keyOf = (value: object): string => JSON.stringify(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));

const claimKey = ({ limit, source }: ModelClaim): string => `${limit} ${source.kind} ${lettersAndDigits(source.name)}`;

/** Claims of both; where one source says two things of one limit, the later note holds, and none is later than a dated one. */
function mergeClaims(a: readonly ModelClaim[], b: readonly ModelClaim[]): ModelClaim[] {
  const merged = a.map((own) => {
    const other = b.find((one) => claimKey(one) === claimKey(own));
    return other !== undefined && (other.source.on ?? '') > (own.source.on ?? '') ? other : own;
  });
  return unionBy(merged, b, claimKey);
}

/**
 * One model of two entries of it. The first one's names hold; lists become one; what the first leaves blank the second
 * fills. Slots are taken whole from whichever has them, from the first where both do.
 */
export function mergeModels(first: FullModel, second: FullModel): Merged {
  const left: string[] = [];
  const layout = ({ slots }: FullModel) =>
    JSON.stringify(slots.map(({ name, channel, bank }) => [name, channel, bank]));
  if (first.slots.length > 0 && second.slots.length > 0 && layout(first) !== layout(second)) {
    left.push(`its slots differ (${second.slots.map(({ name }) => name).join(' ')}) and were not taken`);
  }
  const slots = first.slots.length > 0 ? first.slots : second.slots;
  const names = new Set(slots.map(({ name }) => name));
  const usable = second.claims.filter(
    ({ limit, value }) => limit !== 'fillOrder' || (value as string[]).every((name) => names.has(name)),
  );
  if (usable.length < second.claims.length) left.push('its fill order names slots that the model has not');
  return {
    left,
    model: {
      ...first,
      family: first.family || second.family,
      note: first.note || second.note,
      yearFrom: Math.min(first.yearFrom, second.yearFrom),
      // An end that only one of them knows may be unknown to the other, or not be there: the first's word holds.
      yearTo: first.yearTo === null ? null : Math.max(first.yearTo, second.yearTo ?? first.yearTo),
      modelIds: union(first.modelIds, second.modelIds),
      boardIds: union(first.boardIds, second.boardIds),
      productStrings: union(first.productStrings, second.productStrings),
      serialPrefixes: union(first.serialPrefixes, second.serialPrefixes),
      cpus: unionBy(first.cpus, second.cpus, ({ name }) => lettersAndDigits(name)),
      firmware: union(first.firmware, second.firmware),
      factoryOptions: unionBy(first.factoryOptions, second.factoryOptions, (one) => `${one.totalMiB} ${one.baseModel}`),
      factoryMaxMiB: first.factoryMaxMiB ?? second.factoryMaxMiB,
      opening: first.opening.length > 0 ? first.opening : second.opening,
      slots,
      claims: mergeClaims(first.claims, usable),
      trials: unionBy(first.trials, second.trials, keyOf),
      testedParts: unionBy(first.testedParts, second.testedParts, (one) => `${one.list} ${one.part}`),
    },
  };
}
