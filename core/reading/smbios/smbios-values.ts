import { GENERATIONS, type Generation } from '../../memory/generation';
import type { Buffering } from '../../memory/module';
import { printedRate } from '../../memory/printed-rate';

/** MiB in one unit of a printed size (DSP0134 7.18, fields Size and Extended Size). */
const MIB_OF_UNIT: Record<string, number> = { kb: 1 / 1024, mb: 1, gb: 1024, tb: 1024 * 1024 };

/** `8192 MB`, `8 GB` → MiB; null for anything else, an empty socket and an unknown size included. */
export function sizeMiB(text: string | undefined): number | null {
  const found = /^(\d{1,12}(?:\.\d{1,6})?)\s*([kmgt])i?b$/i.exec((text ?? '').trim());
  if (found === null) return null;
  const mib = Number(found[1]) * (MIB_OF_UNIT[`${found[2]?.toLowerCase()}b`] ?? 0);
  return Number.isSafeInteger(mib) && mib > 0 ? mib : null;
}

/** `2667 MT/s`, `2667 MHz` → the printed rate in MT/s; null where it is unknown. */
export function rateOf(text: string | undefined): number | null {
  const found = /^(\d{2,6})\s*(?:MT\/s|MHz|MTs)$/i.exec((text ?? '').trim());
  return found === null ? null : printedRate(Number(found[1]));
}

/** `1.35 V` → 1350 mV; null where it is unknown. */
export function millivolts(text: string | undefined): number | null {
  const found = /^(\d{1,2}(?:\.\d{1,4})?)\s*V$/i.exec((text ?? '').trim());
  const mv = found === null ? 0 : Math.round(Number(found[1]) * 1000);
  return mv > 0 ? mv : null;
}

/** `64 bits` → 64. */
export function bitsOf(text: string | undefined): number | null {
  const found = /^(\d{1,4})\s*bits?$/i.exec((text ?? '').trim());
  return found === null || Number(found[1]) === 0 ? null : Number(found[1]);
}

/** Printed memory types (DSP0134 7.18.2) that are no generation's name, and the generation they stand for. */
const TYPES: Record<string, Generation> = { SDRAM: 'SDR', 'DDR2 FB-DIMM': 'DDR2' };

/** Generation of a printed type. */
export function generationOf(text: string | undefined): Generation | null {
  const type = (text ?? '').trim();
  const plain = type.replace(/L$/, '');
  return TYPES[type] ?? GENERATIONS.find((name) => name === plain && name !== 'SDR') ?? null;
}

/** Printed form factors (DSP0134 7.18.1) in the words the trade uses. */
const FORMS: Record<string, string> = {
  DIMM: 'DIMM',
  SODIMM: 'SO-DIMM',
  'SO-DIMM': 'SO-DIMM',
  'FB-DIMM': 'DIMM',
  RIMM: 'RIMM',
  CAMM: 'CAMM2',
};

export function formOf(text: string | undefined): string | null {
  return FORMS[(text ?? '').trim().toUpperCase()] ?? null;
}

/** Memory on the board itself: a row of chips, or a bare die. */
export function isSolderedForm(text: string | undefined): boolean {
  return /^(row of chips|chip|die)$/i.test((text ?? '').trim());
}

/** Buffering from the type detail words (DSP0134 7.18.3); null where they do not say. */
export function bufferingOf(typeDetail: string | undefined, type: string | undefined): Buffering | null {
  const words = (typeDetail ?? '').toLowerCase();
  if (/fb-dimm/i.test(type ?? '')) return 'fully-buffered';
  if (/\blrdimm\b|load.reduced/.test(words)) return 'load-reduced';
  if (/unbuffered|unregistered/.test(words)) return 'unbuffered';
  if (/\bregistered\b|\bbuffered\b/.test(words)) return 'registered';
  return null;
}
