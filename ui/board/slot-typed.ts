import { NOTHING_KNOWN } from '@/core/machine/models/nothing-known';
import type { JobSlot, KnownModule } from '@/core/machine/slots/job-slot';
import type { Generation } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { shortMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped, wholeTyped } from '../kit/form/read-typed';
import { capacityText } from '../words/amounts';

/** A slot as it is typed: text until it is saved. */
export interface TypedSlot {
  channel: string;
  bank: string;
  largest: string;
  capacity: string;
  rate: string;
  cl: string;
  ranks: string;
  generation: string;
  form: string;
  part: string;
  serial: string;
  keep: JobSlot['keep'];
  credit: string;
  blocked: boolean;
}

const numberText = (value: number | null | undefined): string => (value == null ? '' : String(value));

export function moduleTyped(module: KnownModule | null) {
  return {
    capacity: module?.capacityMiB == null ? '' : capacityText(module.capacityMiB),
    rate: numberText(module?.rateMTs),
    cl: numberText(module?.casLatency),
    ranks: numberText(module?.ranks),
    generation: module?.generation ?? '',
    form: module?.form ?? '',
    part: module?.part ?? '',
    serial: module?.serial ?? '',
  };
}

export function typedSlot(
  { channel, bank, maxMiB, module, keep, creditCents, blocked }: JobSlot,
  currency: string,
): TypedSlot {
  return {
    channel,
    bank: String(bank),
    largest: maxMiB === null ? '' : capacityText(maxMiB),
    ...moduleTyped(module),
    keep,
    credit: creditCents === 0 ? '' : shortMoney(creditCents, currency),
    blocked: blocked === true,
  };
}

/** A whole number above 0; null: nothing is typed; undefined: it is none. */
const wholeOrNull = (text: string): number | null | undefined =>
  isTyped(text) ? (wholeTyped(text, 6) ?? 0) || undefined : null;

/** A size; null: nothing is typed; undefined: it is none. */
const sizeOrNull = (text: string): number | null | undefined =>
  isTyped(text) ? (parseCapacity(text) ?? undefined) : null;

/** What keeps a size from being what is in the slot; null: nothing does. */
function faultOfSize(
  t: StaffWords<'board'>,
  capacityMiB: number | null | undefined,
  isSoldered: boolean,
  isBlocked: boolean,
): string | null {
  if (isBlocked && capacityMiB !== null) return t('faults.blocked');
  if (capacityMiB === undefined) return t('faults.size');
  return isSoldered && capacityMiB === null ? t('faults.soldered') : null;
}

/** What is typed of a module, with what was known of it beside the fields. */
function moduleOf(typed: TypedSlot, capacityMiB: number, base: KnownModule | null): KnownModule {
  const serial = typed.serial.trim();
  return {
    ...(base ?? NOTHING_KNOWN),
    capacityMiB,
    rateMTs: wholeOrNull(typed.rate) ?? null,
    casLatency: wholeOrNull(typed.cl) ?? null,
    ranks: wholeOrNull(typed.ranks) ?? null,
    generation: typed.generation === '' ? null : (typed.generation as Generation),
    form: typed.form === '' ? null : typed.form,
    part: typed.part.trim() || null,
    ...(serial === '' && base?.serial == null ? {} : { serial: serial || null }),
  };
}

/**
 * The slot that was typed, or what is wrong with it. An empty capacity means an empty slot.
 *
 * @param base what is known of the module beside the fields: what is in the slot, or the label that was pasted
 */
export function readSlot(
  t: StaffWords<'board'>,
  slot: JobSlot,
  typed: TypedSlot,
  base: KnownModule | null,
  currency: string,
): Read<TypedSlot, JobSlot> {
  const capacityMiB = sizeOrNull(typed.capacity);
  const creditCents = isTyped(typed.credit) ? parseMoneyIn(typed.credit, currency) : 0;
  const maxMiB = sizeOrNull(typed.largest);
  const channel = typed.channel.trim();
  const looked = {
    capacity: faultOfSize(t, capacityMiB, slot.soldered, typed.blocked),
    rate: wholeOrNull(typed.rate) === undefined && t('faults.rate'),
    cl: wholeOrNull(typed.cl) === undefined && t('faults.latency'),
    ranks: wholeOrNull(typed.ranks) === undefined && t('faults.ranks'),
    channel: channel === '' && t('faults.channel'),
    bank: wholeTyped(typed.bank, 2) === null && t('faults.ranks'),
    largest: maxMiB === undefined && t('faults.largest'),
    credit: (creditCents === null || creditCents < 0) && t('faults.credit'),
  };
  return readTyped<TypedSlot, JobSlot>(looked, () => {
    const module = capacityMiB == null ? null : moduleOf(typed, capacityMiB, base);
    const bank = Number(typed.bank);
    const largest = maxMiB ?? null;
    const isMoved = channel !== slot.channel || bank !== slot.bank || largest !== slot.maxMiB;
    return {
      ...slot,
      channel,
      bank,
      maxMiB: largest,
      module,
      blocked: typed.blocked,
      keep: typed.keep,
      creditCents: creditCents ?? 0,
      placeSource: isMoved ? 'typed' : slot.placeSource,
      moduleSource: JSON.stringify(module) === JSON.stringify(slot.module) ? slot.moduleSource : 'typed',
    };
  });
}
