import type { LimitName, LimitValue, SourceKind } from '@/core/machine/limits/limit';
import type { ClaimRole } from '@/core/machine/limits/resolve-claims';
import { EDGE_GENERATIONS, LOW_POWER_GENERATIONS } from '@/core/memory/generation';
import type { Kind } from '@/core/memory/module';
import { kindWords } from '@/core/memory/module-words';
import type { StaffMessages, StaffWords } from '@/words/staff-words';
import { capacityText } from '../words/amounts';

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

type LimitKey = `names.${keyof StaffMessages['limits']['names']}`;

export interface LimitRow {
  name: LimitName;
  text: LimitKey;
  sort: LimitSort;
  unit?: string;
  /** words one may choose from */
  words?: readonly string[];
  /** the value is a list of such words */
  list?: boolean;
  /** asked for by name where nobody says it: plans lean on it */
  wanted?: boolean;
}

/** The rows of the Limits grid, in the order a technician checks them. */
export const LIMIT_ROWS: readonly LimitRow[] = [
  {
    name: 'generations',
    text: 'names.generations',
    sort: 'words',
    words: [...[...EDGE_GENERATIONS].reverse(), ...[...LOW_POWER_GENERATIONS].reverse()],
    list: true,
    wanted: true,
  },
  { name: 'form', text: 'names.form', sort: 'words', words: ['DIMM', 'SO-DIMM', 'CAMM2'], wanted: true },
  { name: 'kinds', text: 'names.kinds', sort: 'kinds' },
  { name: 'voltagesMv', text: 'names.voltages', sort: 'millivolts' },
  { name: 'totalMiB', text: 'names.totalMiB', sort: 'capacity', wanted: true },
  { name: 'cpuMaxMiB', text: 'names.cpuTotalMiB', sort: 'capacity' },
  { name: 'provenTotalMiB', text: 'names.provenTotalMiB', sort: 'capacity' },
  { name: 'moduleMiB', text: 'names.moduleMiB', sort: 'capacity', wanted: true },
  { name: 'provenModuleMiB', text: 'names.provenModuleMiB', sort: 'capacity' },
  { name: 'failedModuleMiB', text: 'names.failedModuleMiB', sort: 'capacities' },
  { name: 'ratesMTs', text: 'names.rates', sort: 'rates', wanted: true },
  { name: 'cpuMaxRateMTs', text: 'names.cpuRate', sort: 'rate' },
  { name: 'rateByLoad', text: 'names.loads', sort: 'load' },
  { name: 'fillOrder', text: 'names.fillOrder', sort: 'names' },
  { name: 'pairing', text: 'names.pairing', sort: 'words', words: ['none', 'advised', 'required'] },
  { name: 'osVisibleMiB', text: 'names.osLimit', sort: 'capacity' },
  { name: 'clearanceMm', text: 'names.clearance', sort: 'number', unit: 'mm' },
  { name: 'maxRanksPerChannel', text: 'names.ranks', sort: 'number' },
  { name: 'unevenChannels', text: 'names.uneven', sort: 'words', words: ['flex', 'single'] },
  { name: 'profiles', text: 'names.profiles', sort: 'yes' },
  { name: 'maxDeviceGbit', text: 'names.density', sort: 'number', unit: 'Gbit' },
  { name: 'deviceWidths', text: 'names.width', sort: 'widths' },
  { name: 'fillRule', text: 'names.fillRule', sort: 'words', words: ['preferred', 'required'] },
];

export const SOURCE_WORDS = {
  technician: 'sources.decided',
  evidence: 'sources.tested',
  'lid-label': 'sources.lid',
  'board-manual': 'sources.manual',
  'cpu-page': 'sources.cpuPage',
  'maker-page': 'sources.makerPage',
  system: 'sources.system',
  reading: 'sources.machine',
  'tested-list': 'sources.testedList',
  derived: 'sources.derived',
  standard: 'sources.usual',
} as const satisfies Record<SourceKind, string>;

/** A sign and a word for what a source's word is worth, so that neither place nor colour must tell it. */
export const ROLE_WORDS = {
  binds: { sign: '▸', text: 'says.applies' },
  agrees: { sign: '=', text: 'says.same' },
  looser: { sign: '△', text: 'says.looser' },
  differs: { sign: '△', text: 'says.other' },
  informs: { sign: '~', text: 'says.informs' },
  outranked: { sign: '·', text: 'says.outranked' },
} as const satisfies Record<ClaimRole, { sign: string; text: string }>;

const joined = (values: readonly (string | number)[], none: string): string =>
  values.length === 0 ? none : values.join(' · ');

type LoadRule = LimitValue<'rateByLoad'>[number];

/** `2 in a channel: 1066 MT/s`, with the ranks where the rule has them. */
function loadText(t: StaffWords<'limits'>, { modulesPerChannel, ranks, maxRateMTs }: LoadRule): string {
  return t('loads.line', { modulesPerChannel, value: ranks == null ? '' : t('loads.ranks', { ranks }), maxRateMTs });
}

const VALUE_WORDS = ['none', 'advised', 'required', 'preferred', 'flex', 'single'] as const;

/** A value that is a word of ours in the person's language; names of generations and forms are what they are. */
export function valueWord(t: StaffWords<'limits'>, word: string): string {
  const known = VALUE_WORDS.find((one) => one === word);
  return known === undefined ? word : t(`values.${known}`);
}

/** A limit's value as a technician reads it. */
export function limitText(t: StaffWords<'limits'>, sort: LimitSort, value: unknown): string {
  const list = Array.isArray(value) ? value : [value];
  switch (sort) {
    case 'capacity':
      return capacityText(Number(value));
    case 'capacities':
      return joined(
        list.map((mib) => capacityText(Number(mib))),
        t('values.none'),
      );
    case 'load':
      return (list as LoadRule[]).map((rule) => loadText(t, rule)).join('; ');
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
      return joined(list, t('values.any'));
    case 'millivolts':
      return `${joined(
        list.map((mv) => Number(mv) / 1000),
        '',
      )} V`;
    case 'kinds':
      return joined(
        (list as Kind[]).map(({ buffering, ecc }) => kindWords(buffering, ecc) || t('kinds.plain')),
        '',
      );
    case 'yes':
      return value === true ? t('values.yes') : t('values.no');
    default:
      return joined(
        list.map((one) => valueWord(t, String(one))),
        '',
      );
  }
}
