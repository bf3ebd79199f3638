import type { LimitName, LimitValue, SourceKind } from '@/core/machine/limits/limit';
import type { ClaimRole } from '@/core/machine/limits/resolve-claims';
import { capacityText } from '@/core/memory/capacity';
import { EDGE_GENERATIONS, LOW_POWER_GENERATIONS } from '@/core/memory/generation';
import type { Kind } from '@/core/memory/module';
import { kindWords } from '@/core/memory/module-words';

/** What kind of value a limit has, which says how it is shown and typed. */
export type LimitSort =
  | 'capacity'
  | 'capacities'
  | 'rate'
  | 'rates'
  | 'millivolts'
  | 'words'
  | 'kinds'
  | 'number'
  | 'names'
  | 'widths'
  | 'load'
  | 'yes';

export interface LimitRow {
  name: LimitName;
  text: string;
  sort: LimitSort;
  unit?: string;
  /** words one may choose from */
  words?: readonly string[];
  /** the value is a list of such words */
  list?: boolean;
  /** shown only where somebody says something */
  rare?: boolean;
}

/** The rows of the Limits grid, in the order a technician checks them. */
export const LIMIT_ROWS: readonly LimitRow[] = [
  {
    name: 'generations',
    text: 'Generation',
    sort: 'words',
    words: [...[...EDGE_GENERATIONS].reverse(), ...[...LOW_POWER_GENERATIONS].reverse()],
    list: true,
  },
  { name: 'form', text: 'Form', sort: 'words', words: ['DIMM', 'SO-DIMM', 'CAMM2'] },
  { name: 'kinds', text: 'Kinds', sort: 'kinds' },
  { name: 'voltagesMv', text: 'Voltage', sort: 'millivolts' },
  { name: 'totalMiB', text: 'Total, by the papers', sort: 'capacity' },
  { name: 'cpuMaxMiB', text: 'Total, by the CPU', sort: 'capacity' },
  { name: 'provenTotalMiB', text: 'Total, seen to work', sort: 'capacity' },
  { name: 'moduleMiB', text: 'Module, by the papers', sort: 'capacity' },
  { name: 'provenModuleMiB', text: 'Module, seen to work', sort: 'capacity' },
  { name: 'failedModuleMiB', text: 'Module, seen to fail', sort: 'capacities', rare: true },
  { name: 'ratesMTs', text: 'Board rates', sort: 'rates' },
  { name: 'cpuMaxRateMTs', text: 'CPU rate', sort: 'rate' },
  { name: 'rateByLoad', text: 'Rate when fuller', sort: 'load', rare: true },
  { name: 'fillOrder', text: 'Fill order', sort: 'names' },
  { name: 'pairing', text: 'Pairing', sort: 'words', words: ['none', 'advised', 'required'] },
  { name: 'osVisibleMiB', text: 'Operating system sees', sort: 'capacity' },
  { name: 'clearanceMm', text: 'Height to spare', sort: 'number', unit: 'mm' },
  { name: 'maxRanksPerChannel', text: 'Ranks in a channel', sort: 'number', rare: true },
  { name: 'unevenChannels', text: 'Uneven channels run', sort: 'words', words: ['flex', 'single'], rare: true },
  { name: 'profiles', text: 'Runs profiles', sort: 'yes', rare: true },
  { name: 'maxDeviceGbit', text: 'Density of a chip', sort: 'number', unit: 'Gbit', rare: true },
  { name: 'deviceWidths', text: 'Width of a chip', sort: 'widths', rare: true },
  { name: 'fillRule', text: 'Fill order is', sort: 'words', words: ['preferred', 'required'], rare: true },
];

export const SOURCE_WORDS: Record<SourceKind, string> = {
  technician: 'decided here',
  evidence: 'seen to work',
  'lid-label': 'lid label',
  'board-manual': 'board manual',
  'cpu-page': 'CPU page',
  'maker-page': 'maker’s page',
  system: 'its system',
  reading: 'the machine',
  'tested-list': 'tested list',
  derived: 'follows',
  standard: 'usual',
};

/** A sign and a word for what a source's word is worth, so that neither place nor colour must tell it. */
export const ROLE_WORDS: Record<ClaimRole, { sign: string; text: string }> = {
  binds: { sign: '▸', text: 'binds' },
  agrees: { sign: '=', text: 'says the same' },
  looser: { sign: '△', text: 'is looser' },
  differs: { sign: '△', text: 'says otherwise' },
  informs: { sign: '~', text: 'only informs' },
  outranked: { sign: '·', text: 'is outranked' },
};

const joined = (values: readonly (string | number)[], none: string): string =>
  values.length === 0 ? none : values.join(' · ');

type LoadRule = LimitValue<'rateByLoad'>[number];

/** `2 in a channel: 1066 MT/s`, with the ranks where the rule has them. */
function loadText({ modulesPerChannel, ranks, maxRateMTs }: LoadRule): string {
  return `${modulesPerChannel} in a channel${ranks == null ? '' : ` with ${ranks} ranks`}: ${maxRateMTs} MT/s`;
}

/** A limit's value as a technician reads it. */
export function limitText(sort: LimitSort, value: unknown): string {
  const list = Array.isArray(value) ? value : [value];
  switch (sort) {
    case 'capacity':
      return capacityText(Number(value));
    case 'capacities':
      return joined(
        list.map((mib) => capacityText(Number(mib))),
        'none',
      );
    case 'load':
      return (list as LoadRule[]).map(loadText).join('; ');
    case 'names':
      return list.join(' ');
    case 'widths':
      return joined(
        list.map((width) => `x${width}`),
        '',
      );
    case 'rate':
      return `${value} MT/s`;
    case 'rates':
      return joined(list, 'any');
    case 'millivolts':
      return `${joined(
        list.map((mv) => Number(mv) / 1000),
        '',
      )} V`;
    case 'kinds':
      return joined(
        (list as Kind[]).map(({ buffering, ecc }) => kindWords(buffering, ecc) || 'unbuffered'),
        '',
      );
    case 'yes':
      return value === true ? 'yes' : 'no';
    default:
      return joined(list, '');
  }
}
