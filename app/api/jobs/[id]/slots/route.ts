import { handle, idOf } from '@/app/handle';
import { saveSlots, slotsSchema } from '@/service/job/intake/intake';

/** Writes the slot board; refused where somebody else wrote it since `version`. */
export const PUT = handle('jobs.write', slotsSchema, (caller, body, params) => saveSlots(caller, idOf(params), body));
