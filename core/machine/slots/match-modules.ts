import type { ReadModule } from '../../reading/reading';

/** How well two descriptions may be of one module; below 1 they are not. */
const SAME_SERIAL = 1000;
const SAME_PART = 100;
const SAME_CAPACITY = 20;
const LIKE = 3;
const UNLIKE = -10;

const plain = (text: string): string =>
  text
    .toUpperCase()
    .replace(/^0X/, '')
    .replace(/[^A-Z0-9]/g, '')
    .replace(/^0+/, '');

/** Bytes of a serial the other way round: some firmware prints them so. */
const turned = (serial: string): string => (serial.match(/../g) ?? []).reverse().join('');

function sameSerial(a: string | null, b: string | null): boolean {
  if (a === null || b === null) return false;
  const [one, two] = [plain(a), plain(b)];
  return one.length > 0 && (one === two || plain(turned(a.toUpperCase())) === two);
}

/** Part names are cut short by some: one may be the beginning of the other. */
function partsAgree(a: string | null, b: string | null): boolean | null {
  if (a === null || b === null) return null;
  const [one, two] = [plain(a), plain(b)];
  return one === two || (Math.min(one.length, two.length) >= 6 && (one.startsWith(two) || two.startsWith(one)));
}

/**
 * How likely two descriptions are of the same module: by serial, by part, else by what it is. Modules known by serial
 * or part may differ in everything else: that is a disagreement of the sources, not another module.
 */
export function likeness(a: ReadModule, b: ReadModule): number {
  if (sameSerial(a.serial, b.serial)) return SAME_SERIAL;
  const parts = partsAgree(a.part, b.part);
  let score = parts === true ? SAME_PART : parts === false ? UNLIKE : 0;
  for (const field of ['capacityMiB', 'generation'] as const) {
    if (a[field] === null || b[field] === null) continue;
    if (a[field] === b[field]) score += field === 'capacityMiB' ? SAME_CAPACITY : LIKE;
    else if (parts !== true) return UNLIKE;
  }
  for (const field of ['form', 'rateMTs', 'ranks', 'buffering', 'ecc'] as const) {
    if (a[field] !== null && b[field] !== null) score += a[field] === b[field] ? 1 : -1;
  }
  // Of a module that nothing is told of but that it is there, any may be the one.
  return b.capacityMiB === null && b.part === null ? Math.max(score, 1) : score;
}

/** A module as far as it can be told from others of its kind. */
export interface ModuleMarks {
  part: string | null;
  serial: string | null;
}

/** Are two certainly not the same module? By their serials, else by their parts; what is not told of both tells nothing. */
export function isOtherModule(a: ModuleMarks, b: ModuleMarks): boolean {
  const isTold = ({ serial }: ModuleMarks) => serial !== null && plain(serial) !== '';
  if (isTold(a) && isTold(b)) return !sameSerial(a.serial, b.serial);
  return partsAgree(a.part, b.part) === false;
}

/**
 * Finds for every module the slot whose module it most likely is, each slot once; the likeliest pairs first, of equals
 * the earlier slot.
 *
 * @returns for every module the index of its slot; null where none is likely
 */
export function matchModules(modules: readonly ReadModule[], slots: readonly (ReadModule | null)[]): (number | null)[] {
  const pairs = modules.flatMap((module, index) =>
    slots.flatMap((slot, at) => (slot === null ? [] : [{ index, at, score: likeness(module, slot) }])),
  );
  pairs.sort((a, b) => b.score - a.score || a.index - b.index || a.at - b.at);
  const found: (number | null)[] = modules.map(() => null);
  const taken = new Set<number>();
  for (const { index, at, score } of pairs) {
    if (score < 1 || found[index] !== null || taken.has(at)) continue;
    found[index] = at;
    taken.add(at);
  }
  return found;
}
