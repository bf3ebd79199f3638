import { handle, idOf } from '@/app/handle';
import { keepSlot, keepSlotSchema } from '@/service/job/intake/intake';

/** Says what becomes of one installed module. */
export const PUT = handle('jobs.write', keepSlotSchema, (caller, body, params) => keepSlot(caller, idOf(params), body));
