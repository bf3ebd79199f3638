import { lettersAndDigits } from '../../letters-and-digits';
import { CASE_LIMITS } from '../../planning/model/case-limits';
import type { MachineRead } from './machines-read';

/** So many groups of equal machines one job has at most. */
export const MOST_GROUPS = 8;

/** Equal machines of a job as they are known so far. */
export interface KnownGroup {
  /** null: it begins with what is shared out */
  jobId: number | null;
  machines: number;
  /** of its machines in their order; empty: not known */
  serials: string[];
  /** those of its machines of which there are reports, from 1 */
  read: number[];
  /** what is in each of them, as `insideOf` tells it; null: nothing is known */
  inside: string | null;
}

/** Where a machine's reports go. */
export interface Share {
  readings: number[];
  /** place of its group among the groups */
  group: number;
  /** which of the group's machines it is, from 1 */
  machine: number;
}

export interface SharedOut {
  groups: KnownGroup[];
  shares: Share[];
  /** machines that take the place of one that left their group, before the shares are put where they belong */
  renumbered: { group: number; from: number; to: number }[];
}

const isSame = (a: string, b: string): boolean => a !== '' && lettersAndDigits(a) === lettersAndDigits(b);

/** Machines that are more than counted: their serials or their reports are known. */
const knownIn = ({ serials, read }: KnownGroup): number =>
  Math.max(1, ...read, ...serials.flatMap((serial, nr) => (serial === '' ? [] : [nr + 1])));

class Sharing {
  readonly groups: KnownGroup[];
  readonly shares: Share[] = [];
  readonly renumbered: SharedOut['renumbered'] = [];
  /** groups that began here: their machines were counted with the lead's */
  readonly #began = new Set<KnownGroup>();

  constructor(groups: readonly KnownGroup[]) {
    this.groups = groups.map((group) => ({ ...group, serials: [...group.serials], read: [...group.read] }));
  }

  /** The place of a serial; null: nobody knows it. */
  #placeOf(serial: string): { own: KnownGroup; group: number; machine: number } | null {
    for (const [group, own] of this.groups.entries()) {
      const machine = own.serials.findIndex((one) => isSame(one, serial)) + 1;
      if (machine > 0) return { own, group, machine };
    }
    return null;
  }

  /** Takes a machine out of a group of which it turns out to be none; the last one takes its place. */
  #leave(own: KnownGroup, group: number, machine: number): void {
    const last = own.machines;
    own.serials[machine - 1] = own.serials[last - 1] ?? '';
    own.serials.length = Math.min(own.serials.length, last - 1);
    own.machines = last - 1;
    if (!own.read.includes(last)) return;
    own.read = own.read.map((one) => (one === last ? machine : one));
    for (const share of this.shares) if (share.group === group && share.machine === last) share.machine = machine;
    this.renumbered.push({ group, from: last, to: machine });
  }

  #groupFor(inside: string): KnownGroup {
    const known = this.groups.find((one) => one.inside === inside || one.inside === null);
    if (known !== undefined) return known;
    const begun: KnownGroup = { jobId: null, machines: 0, serials: [], read: [], inside };
    this.groups.push(begun);
    this.#began.add(begun);
    return begun;
  }

  take({ readings, serial, inside }: MachineRead): void {
    const told = serial ?? '';
    const known = this.#placeOf(told);
    if (known !== null) {
      const { own, group, machine } = known;
      const differs = own.inside !== null && own.inside !== inside;
      // What was read before is what it was; a serial that was only typed says nothing of what is inside.
      if (!differs || own.read.includes(machine) || own.machines === 1) {
        this.#place(own, machine, { readings, told, inside });
        return;
      }
      this.#leave(own, group, machine);
    }
    const own = this.#groupFor(inside);
    const [lead] = this.groups;
    // It was counted with the others before anybody knew that it differs.
    if (known === null && this.#began.has(own) && lead !== undefined && lead.machines > knownIn(lead)) lead.machines--;
    const open = Array.from({ length: own.machines }, (_, nr) => nr + 1).find(
      (nr) => (own.serials[nr - 1] ?? '') === '' && !own.read.includes(nr),
    );
    this.#place(own, open ?? own.machines + 1, { readings, told, inside });
  }

  #place(own: KnownGroup, machine: number, read: { readings: number[]; told: string; inside: string }): void {
    own.inside ??= read.inside;
    own.machines = Math.max(own.machines, machine);
    while (own.serials.length < machine) own.serials.push('');
    if (read.told !== '') own.serials[machine - 1] = read.told;
    if (!own.read.includes(machine)) own.read.push(machine);
    this.shares.push({ readings: read.readings, group: this.groups.indexOf(own), machine });
  }
}

/**
 * Shares machines that were read out among a job's groups of equals: one whose serial is known goes to its place, another to
 * the group that has the same inside, else it begins a group. Where more machines were counted than read, those that turn out
 * to differ are among them.
 *
 * @param groups the first is the one that leads
 * @returns null: a group or the job would grow too large
 */
export function shareOut(read: readonly MachineRead[], groups: readonly KnownGroup[]): SharedOut | null {
  const sharing = new Sharing(groups);
  const [lead] = groups;
  // Those that are as the lead's come first: they say what the others differ from.
  const inside = lead?.inside ?? read[0]?.inside;
  for (const one of read) if (one.inside === inside) sharing.take(one);
  for (const one of read) if (one.inside !== inside) sharing.take(one);
  const { groups: now, shares, renumbered } = sharing;
  if (now.length > MOST_GROUPS || now.some(({ machines }) => machines > CASE_LIMITS.machines)) return null;
  return { groups: now, shares, renumbered };
}
