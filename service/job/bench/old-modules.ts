import { z } from 'zod';
import { insertOldModule, OLD_FATES, takeOldModuleBack } from '../../../store/job/proofs';
import { pieceSchema, putPiece } from '../../market/shelf';
import { done, fault, type Result } from '../../result';
import { type Caller, whyBarred } from '../../staff/access';
import { changeJob } from '../change-job';
import { machineSchema } from './fitting';
import type { Accepted } from './job-work';

const where = {
  machine: machineSchema,
  slot: z.string().min(1).max(60),
};
/** of every machine of the kind, where nobody noted anything else of it */
const everyMachine = z.boolean().optional();

export const oldModuleSchema = z.discriminatedUnion('fate', [
  z.strictObject({ fate: z.enum(OLD_FATES).exclude(['shelf']), everyMachine, ...where }),
  z.strictObject({
    fate: z.literal('shelf'),
    everyMachine,
    ...where,
    piece: pieceSchema.omit({ originJobId: true }),
  }),
  z.strictObject({ fate: z.literal('undo'), ...where }),
]);

/** Modules that the accepted option takes out of the machine. */
export function modulesOut({ option }: Accepted): { slot: string; what: string }[] {
  // What a customer takes out at home is none of ours.
  if (option.partsOnly) return [];
  const { kept } = option.shop;
  return option.before.flatMap(({ slot, text, fate }) =>
    text === null || fate === 'built-in' || kept.includes(slot) ? [] : [{ slot, what: text }],
  );
}

/** Notes what became of a module that came out: back to the customer, onto the shelf, or scrapped. */
export async function settleOldModule(
  caller: Caller<'jobs.write'>,
  jobId: number,
  input: z.infer<typeof oldModuleSchema>,
): Promise<Result<null>> {
  const { machine: looked = 1, slot } = input;
  return changeJob(caller, jobId, {
    kind: `old-module-${input.fate}`,
    detail: { machine: looked, slot },
    needs: ['work'],
    work: async (db, { work, job }) => {
      if (work.accepted === null)
        return fault('conflict', 'No option is accepted yet: nothing comes out of the machine.');
      if (input.fate === 'undo') {
        return (await takeOldModuleBack(db, jobId, { machine: looked, slot }))
          ? done(null)
          : fault('conflict', 'A module in stock is removed under Stock.');
      }
      if (work.notWorking !== null) return fault('conflict', 'It did not work: the old modules are back in.');
      const old = modulesOut(work.accepted).find((one) => one.slot === slot);
      if (old === undefined) return fault('not-found', `Nothing comes out of ${slot}.`);
      if (input.fate === 'shelf') {
        const barred = whyBarred(caller, 'stock.write');
        if (barred !== null) return barred;
        if (input.everyMachine && input.piece.serial !== '')
          return fault('bad-input', 'Serials differ: leave the serial empty, or note each module on its own.');
      }
      const settled = new Set(work.oldModules.filter((one) => one.slot === slot).map(({ machine }) => machine));
      const all = Array.from({ length: job.machines }, (_, nr) => nr + 1).filter((machine) => !settled.has(machine));
      const machines = input.everyMachine ? all : [looked];
      if (machines.length === 0 || settled.has(looked)) return fault('conflict', 'Somebody noted that already.');
      for (const machine of machines) {
        const put =
          input.fate === 'shelf'
            ? await putPiece(db, caller, { ...input.piece, originJobId: jobId })
            : done({ id: null });
        if (!put.ok) return put;
        await insertOldModule(db, jobId, { ...old, machine, fate: input.fate, pieceId: put.value.id }, caller.id);
      }
      return done(null);
    },
  });
}
