import { moduleMiBSchema, rateSchema } from '../bounds';
import type { KnownModule } from '../machine/slots/job-slot';
import { GENERATION_FACTS } from '../memory/generation';
import { type MemoryModule, moduleSchema } from '../memory/module';

/** A module that can be bought: of a size and a rate that there are. */
const boughtSchema = moduleSchema.extend({ capacityMiB: moduleMiBSchema, rateMTs: rateSchema });

/** A row's module as the planner needs it: what it does not tell of its kind and voltage is what is usual; null: it cannot be. */
export function wholeModule({ serial: _, ...known }: KnownModule): MemoryModule | null {
  const { generation } = known;
  if (generation === null) return null;
  const [usual] = GENERATION_FACTS[generation].voltagesMv;
  const parsed = boughtSchema.safeParse({
    ...known,
    buffering: known.buffering ?? 'unbuffered',
    ecc: known.ecc ?? (known.buffering === 'registered' || known.buffering === 'load-reduced'),
    voltagesMv: known.voltagesMv ?? (usual === undefined ? [] : [usual]),
  });
  return parsed.success ? parsed.data : null;
}
