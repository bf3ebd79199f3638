import { handle, idOf } from '@/app/handle';
import { saveIntake, writeIntakeSchema } from '@/service/job/intake/intake';

/** Writes Intake fields; 409 with `theirs` where somebody else wrote one of them since it was seen. */
export const PATCH = handle('jobs.write', writeIntakeSchema, (caller, { set, seen }, params) =>
  saveIntake(caller, idOf(params), set, seen),
);
