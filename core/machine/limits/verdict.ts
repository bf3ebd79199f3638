import { capacityText } from '../../memory/capacity';
import type { JobSlot } from '../slots/job-slot';
import type { Limits } from './resolve-claims';

/** Something that ends the total: the board, the CPU, the sockets, or what the operating system can see. */
export interface TotalBound {
  mib: number;
  who: 'board' | 'cpu' | 'sockets' | 'system';
  /** whose word it is, as a sentence names it */
  by: string;
}

/** How much memory a machine takes, what binds it, and what would bind next if that were lifted. Capacities MiB. */
export interface Verdict {
  /** null: no source says */
  bound: TotalBound | null;
  next: TotalBound | null;
  /** everything that ends the total, the tightest first */
  bounds: TotalBound[];
  /** what was seen to work, where it is above the bound */
  lifted: TotalBound | null;
  /** what is in the machine today, where that is above what the papers allow */
  runsMiB: number | null;
  /** what the papers allow at most, where any says */
  officialMiB: number | null;
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

const isKnown = (bound: TotalBound | null): bound is TotalBound => bound !== null;

/** The most that fits into the sockets, where the largest module of each is known; soldered memory counted. */
function socketsBound(limits: Limits, slots: readonly JobSlot[]): TotalBound | null {
  const module = Math.max(limits.moduleMiB?.value ?? 0, limits.provenModuleMiB?.value ?? 0);
  const sockets = slots.filter(({ soldered, blocked }) => !soldered && blocked !== true);
  const each = sockets.map(({ maxMiB }) =>
    module === 0 ? maxMiB : maxMiB === null ? module : Math.min(maxMiB, module),
  );
  const known = each.filter((mib) => mib !== null);
  if (slots.length === 0 || known.length < each.length) return null;
  const soldered = sum(slots.map((slot) => (slot.soldered ? (slot.module?.capacityMiB ?? 0) : 0)));
  const [first] = known;
  const equal = first !== undefined && known.every((mib) => mib === first);
  const inSockets = equal ? `${known.length} × ${capacityText(first)}` : known.map(capacityText).join(' + ');
  const by = [soldered > 0 ? `${capacityText(soldered)} soldered` : '', inSockets].filter((part) => part !== '');
  return { mib: soldered + sum(known), who: 'sockets', by: by.join(' + ') };
}

/** Everything that ends the total, the tightest first; of equal ones the papers go before what follows from them. */
function boundsOf(limits: Limits, slots: readonly JobSlot[]): TotalBound[] {
  const of = (name: 'totalMiB' | 'cpuMaxMiB' | 'osVisibleMiB', who: TotalBound['who']): TotalBound | null => {
    const holding = limits[name];
    return holding === null ? null : { mib: holding.value, who, by: holding.source.name };
  };
  return [of('totalMiB', 'board'), of('cpuMaxMiB', 'cpu'), socketsBound(limits, slots), of('osVisibleMiB', 'system')]
    .filter(isKnown)
    .sort((a, b) => a.mib - b.mib);
}

/** What binds the total. */
export function totalVerdict(limits: Limits, slots: readonly JobSlot[]): Verdict {
  const all = boundsOf(limits, slots);
  const [bound = null, next = null] = all;
  const proven = limits.provenTotalMiB;
  const papers = Math.min(limits.totalMiB?.value ?? Infinity, limits.cpuMaxMiB?.value ?? Infinity);
  const lifted: TotalBound | null =
    proven !== null && proven.value > papers ? { mib: proven.value, who: 'board', by: proven.source.name } : null;
  const today = sum(slots.map((slot) => slot.module?.capacityMiB ?? 0));
  const runsMiB = today > papers ? today : null;
  return { bound, next, bounds: all, lifted, runsMiB, officialMiB: Number.isFinite(papers) ? papers : null };
}
