/** What the shop holds a use to need. Capacity MiB. */
export interface UseNeed {
  use: string;
  /** what the screen calls it, where that is not its name */
  text?: string;
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

/** Why it is so much. Capacities MiB. */
export type TargetReason =
  | { because: 'use'; use: string; needMiB: number; reason: string }
  | { because: 'in-use'; inUseMiB: number; needMiB: number }
  | { because: 'system'; os: string; needMiB: number }
  | { because: 'floor'; needMiB: number };

/** What to tell the customer before selling memory. Capacities MiB. */
export type TargetCaution =
  | { caution: 'storage-full' | 'neither-full' }
  | { caution: 'system-sees'; bits32: boolean; visibleMiB: number }
  | { caution: 'enough-today'; todayMiB: number };

export interface TargetSuggestion {
  /** null: nothing to go by, or the system cannot use more */
  targetMiB: number | null;
  reasons: TargetReason[];
  cautions: TargetCaution[];
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
  const cautions: TargetCaution[] = [];
  if (wants.full === 'storage') cautions.push({ caution: 'storage-full' });
  if (wants.full === 'neither') cautions.push({ caution: 'neither-full' });
  const chosen = shop.uses.filter(({ use }) => wants.uses.includes(use));
  const system = shop.systems.find(({ os }) => os === wants.os) ?? null;
  const visible = system?.visibleMiB ?? (wants.osBits === 32 ? BITS_32_MIB : null);
  const needs: TargetReason[] = chosen.map(({ use, text = use, needMiB, reason }) => ({
    because: 'use',
    use: text,
    needMiB,
    reason,
  }));
  if (wants.inUseMiB !== null) {
    needs.push({ because: 'in-use', inUseMiB: wants.inUseMiB, needMiB: stepUp(wants.inUseMiB * ROOM) });
  }
  if (system !== null) needs.push({ because: 'system', os: system.os, needMiB: system.leastMiB });
  if (needs.length === 0) return { targetMiB: null, reasons: [], cautions };
  const most = Math.max(...needs.map(({ needMiB }) => needMiB));
  const reasons = needs.filter(({ needMiB }) => needMiB === most);
  let targetMiB = most;
  if (shop.floorMiB > most) {
    targetMiB = shop.floorMiB;
    reasons.unshift({ because: 'floor', needMiB: shop.floorMiB });
  }
  if (visible !== null && targetMiB > visible) {
    cautions.push({ caution: 'system-sees', bits32: wants.osBits === 32, visibleMiB: visible });
    targetMiB = stepUp(visible);
  }
  if (todayMiB > 0 && todayMiB >= targetMiB) {
    cautions.push({ caution: 'enough-today', todayMiB });
  }
  return { targetMiB, reasons, cautions };
}

/** What a 32-bit system sees at most: 4 GB less what devices claim, MiB. */
export const BITS_32_MIB = 3584;
