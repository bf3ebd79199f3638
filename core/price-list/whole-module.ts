import type { KnownModule } from '../machine/job-slot';
import { GENERATION_FACTS } from '../memory/generation';
import { type MemoryModule, moduleSchema } from '../memory/module';

/** A row's module as the planner needs it: what it does not tell of its kind and voltage is what is usual. */
export function wholeModule(known: KnownModule): MemoryModule | null {
  const { generation } = known;
  if (generation === null) return null;
  const [usual] = GENERATION_FACTS[generation].voltagesMv;
  const parsed = moduleSchema.safeParse({
    ...known,
    buffering: known.buffering ?? 'unbuffered',
    ecc: known.ecc ?? (known.buffering === 'registered' || known.buffering === 'load-reduced'),
    voltagesMv: known.voltagesMv ?? (usual === undefined ? [] : [usual]),
  });
  return parsed.success ? parsed.data : null;
}
