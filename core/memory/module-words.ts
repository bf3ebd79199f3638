import { capacityText } from './capacity';
import { GENERATION_FACTS } from './generation';
import type { Buffering, MemoryModule } from './module';

type Named = Pick<MemoryModule, 'generation' | 'form' | 'buffering' | 'ecc' | 'capacityMiB' | 'rateMTs' | 'casLatency'>;

/** Words for a kind as a customer reads them; plain unbuffered non-ECC needs none. */
export function kindWords(buffering: Buffering, ecc: boolean): string {
  if (buffering === 'unbuffered') return ecc ? 'ECC' : '';
  return ecc ? `${buffering} ECC` : buffering;
}

/** Generation with its low-voltage mark: a DDR3 module that runs at 1.35 V is `DDR3L` (JESD79-3-1). */
export function generationText(module: Pick<MemoryModule, 'generation' | 'voltagesMv'>): string {
  const low = module.generation === 'DDR3' && module.voltagesMv.includes(1350);
  return low ? 'DDR3L' : module.generation;
}

/**
 * One line that names a module: `16 GB DDR4-2666 CL19 SO-DIMM`.
 *
 * @param sizeText how a capacity in MiB is written
 */
export function moduleText(module: Named & Pick<MemoryModule, 'voltagesMv'>, sizeText = capacityText): string {
  const cl = module.casLatency == null ? '' : ` CL${module.casLatency}`;
  const kind = kindWords(module.buffering, module.ecc);
  const name = `${sizeText(module.capacityMiB)} ${generationText(module)}-${module.rateMTs}${cl} ${module.form}`;
  return kind === '' ? name : `${name}, ${kind}`;
}

/** Contacts of a module's edge, or null for a form the tables do not hold. */
export function pinCount(module: Pick<MemoryModule, 'generation' | 'form'>): number | null {
  const { pins } = GENERATION_FACTS[module.generation];
  return module.form === 'DIMM' || module.form === 'SO-DIMM' ? (pins[module.form] ?? null) : null;
}
