import { read } from '../read';
import { isSpecification } from '../reading';

/** What a specification says, in words of one field each; a field that is not there is not told. */
export type SpecFields = Record<string, string>;

/** A text of a list with what it says. */
export interface SpecText {
  title: string;
  text: string;
  expected: SpecFields;
}

/** Fields whose wrong value changes a plan: null is allowed there, wrong is not. */
export const PLANNED = ['gen', 'form', 'kinds', 'total', 'module', 'cpumax', 'rates', 'cpurate', 'load'] as const;
const FIELDS = [
  'about',
  'name',
  'slots',
  'channels',
  'soldered',
  'std',
  'gen',
  'form',
  'kinds',
  'mv',
  'total',
  'module',
  'cpumax',
  'cpurate',
  'rates',
  'pairing',
  'profiles',
  'load',
  'os',
  'ranks',
  'gbit',
  'widths',
  'height',
] as const;
export const SPEC_FIELDS: readonly string[] = FIELDS;

/** `about machine slots 2 profiles`: a field's name, then its value up to the next name. */
function fieldsOf(line: string): SpecFields {
  const fields: SpecFields = {};
  let name = '';
  for (const word of line.split(' ')) {
    if (SPEC_FIELDS.includes(word) && (name !== 'name' || fields.name !== '')) {
      name = word;
      fields[name] = '';
    } else fields[name] = `${fields[name] ?? ''} ${word}`.trim();
  }
  if (fields.profiles !== undefined) fields.profiles = 'yes';
  return fields;
}

/** The texts of a list's file. */
export function specTexts(file: string): SpecText[] {
  return file
    .split(/^=== /m)
    .slice(1)
    .map((block) => {
      const head = block.indexOf('\n');
      const tail = block.lastIndexOf('\n-- ');
      return {
        title: block.slice(0, head).trim(),
        text: block.slice(head + 1, tail),
        expected: fieldsOf(block.slice(tail + 4).trim()),
      };
    });
}

const BUFFERINGS: Record<string, string> = {
  unbuffered: 'u',
  registered: 'r',
  'load-reduced': 'l',
  'fully-buffered': 'f',
};

/** What the readers say of a text, in the same words; null: they read no specification. */
export function specFields(text: string): SpecFields | null {
  const result = read(text);
  if (!result.ok || !isSpecification(result.reading)) return null;
  const { about, name, slotCount, channels, soldered, standardMemory, claims } = result.reading;
  const fields: SpecFields = { about };
  const put = (field: string, value: string | null | undefined): void => {
    if (value != null && value !== '') fields[field] = value;
  };
  put('name', name === null ? null : `${name.maker ?? '-'}|${name.model}`);
  put('slots', slotCount?.toString());
  put('channels', channels?.toString());
  put('soldered', soldered === null ? null : soldered ? 'yes' : 'no');
  put('std', standardMemory.map(({ capacityMiB, modules }) => `${capacityMiB}x${modules ?? '?'}`).join(','));
  for (const claim of claims) {
    if (claim.limit === 'kinds')
      put('kinds', claim.value.map(({ buffering, ecc }) => `${BUFFERINGS[buffering]}${ecc ? '+' : '-'}`).join(','));
    else if (claim.limit === 'rateByLoad')
      put(
        'load',
        claim.value
          .map(
            ({ modulesPerChannel, ranks, maxRateMTs }) =>
              `${modulesPerChannel}${ranks === undefined ? '' : `/${ranks}`}:${maxRateMTs}`,
          )
          .join(' '),
      );
    else if (claim.limit === 'profiles') put('profiles', claim.value ? 'yes' : 'no');
    else
      put(NAMES[claim.limit] ?? claim.limit, Array.isArray(claim.value) ? claim.value.join(',') : String(claim.value));
  }
  return fields;
}

const NAMES: Record<string, string> = {
  generations: 'gen',
  voltagesMv: 'mv',
  totalMiB: 'total',
  moduleMiB: 'module',
  cpuMaxMiB: 'cpumax',
  cpuMaxRateMTs: 'cpurate',
  ratesMTs: 'rates',
  osVisibleMiB: 'os',
  maxRanksPerChannel: 'ranks',
  maxDeviceGbit: 'gbit',
  deviceWidths: 'widths',
  clearanceMm: 'height',
};

export interface SpecScore {
  texts: number;
  fields: number;
  right: number;
  /** where a field that changes a plan has a wrong value */
  wrongPlans: string[];
  misses: string[];
}

/** How many of the fields that any text says or the reader tells are right. */
export function scoreSpecs(texts: readonly SpecText[]): SpecScore {
  const score: SpecScore = { texts: texts.length, fields: 0, right: 0, wrongPlans: [], misses: [] };
  for (const { title, text, expected } of texts) {
    const read = specFields(text) ?? {};
    for (const field of SPEC_FIELDS) {
      const [wanted, got] = [expected[field], read[field]];
      if (wanted === undefined && got === undefined) continue;
      score.fields++;
      if (wanted === got) {
        score.right++;
        continue;
      }
      const line = `${title}: ${field} should be ${wanted ?? 'null'}, is ${got ?? 'null'}`;
      score.misses.push(line);
      if (got !== undefined && (PLANNED as readonly string[]).includes(field)) score.wrongPlans.push(line);
    }
  }
  return score;
}
