import { capacityText } from '../memory/capacity';

/** What the shop holds a use to need. Capacity MiB. */
export interface UseNeed {
  use: string;
  needMiB: number;
  reason: string;
}

/** What an operating system needs for itself, and the most it can see. Capacities MiB. */
export interface SystemNeed {
  os: string;
  leastMiB: number;
  visibleMiB: number | null;
}

export interface Wants {
  uses: readonly string[];
  /** what programs use now, as the customer's machine shows it */
  inUseMiB: number | null;
  /** which part is full */
  full: 'memory' | 'storage' | 'both' | 'neither' | null;
  os: string;
  osBits: 32 | 64 | null;
}

export interface TargetSuggestion {
  /** null: nothing to go by, or the system cannot use more */
  targetMiB: number | null;
  reasons: string[];
  /** what to tell the customer before selling memory; empty: nothing */
  cautions: string[];
}

/** Sizes that machines are fitted with, MiB. */
const STEPS = [2, 4, 6, 8, 12, 16, 24, 32, 48, 64, 96, 128, 192, 256, 384, 512].map((gb) => gb * 1024);

/** Memory in use with room to spare: a third more, since what is tight today fills up. */
const ROOM = 4 / 3;

const stepUp = (mib: number): number => STEPS.find((step) => step >= mib) ?? mib;

/**
 * The total that a customer's wants suggest, with the reason: the most that any use needs, what is in use now with room
 * to spare, the operating system's own minimum twice over, and never below the shop's floor; cut to what the system
 * can see.
 */
export function suggestTarget(
  wants: Wants,
  shop: { uses: readonly UseNeed[]; systems: readonly SystemNeed[]; floorMiB: number },
  todayMiB = 0,
): TargetSuggestion {
  const cautions: string[] = [];
  if (wants.full === 'storage' || wants.full === 'neither') {
    cautions.push(
      wants.full === 'storage'
        ? 'The storage is full, not the memory: more memory will not mend that.'
        : 'Neither memory nor storage is full: look for the cause before selling memory.',
    );
  }
  const chosen = shop.uses.filter(({ use }) => wants.uses.includes(use));
  const system = shop.systems.find(({ os }) => os === wants.os) ?? null;
  const visible = system?.visibleMiB ?? (wants.osBits === 32 ? BITS_32_MIB : null);
  const needs = [
    ...chosen.map(({ use, needMiB, reason }) => ({
      mib: needMiB,
      why: `${use} wants ${capacityText(needMiB)}${reason === '' ? '' : ` (${reason})`}`,
    })),
    ...(wants.inUseMiB === null
      ? []
      : [
          {
            mib: stepUp(wants.inUseMiB * ROOM),
            why: `${capacityText(wants.inUseMiB)} are in use now; with room to spare that is ${capacityText(stepUp(wants.inUseMiB * ROOM))}`,
          },
        ]),
    ...(system === null
      ? []
      : [{ mib: system.leastMiB, why: `${system.os} wants ${capacityText(system.leastMiB)} for itself` }]),
  ];
  if (needs.length === 0) return { targetMiB: null, reasons: [], cautions };
  const most = Math.max(...needs.map(({ mib }) => mib));
  const reasons = needs.filter(({ mib }) => mib === most).map(({ why }) => why);
  let targetMiB = most;
  if (shop.floorMiB > most) {
    targetMiB = shop.floorMiB;
    reasons.unshift(`the shop advises nobody less than ${capacityText(shop.floorMiB)}`);
  }
  if (visible !== null && targetMiB > visible) {
    cautions.push(
      `A ${wants.osBits === 32 ? '32-bit ' : ''}system sees at most ${capacityText(visible)}: more is of use only with another system.`,
    );
    targetMiB = stepUp(visible);
  }
  if (todayMiB > 0 && todayMiB >= targetMiB) {
    cautions.push(`It has ${capacityText(todayMiB)} already: what it is for asks for no more.`);
  }
  return { targetMiB, reasons, cautions };
}

/** What a 32-bit system sees at the most: 4 GB less what devices claim, MiB. */
export const BITS_32_MIB = 3584;
