import { handle, idOf } from '@/app/handle';
import { intakeSchema, saveIntake } from '@/service/intake';

/** Writes the named Intake fields. */
export const PATCH = handle('jobs.write', intakeSchema, (caller, body, params) =>
  saveIntake(caller, idOf(params), body),
);
