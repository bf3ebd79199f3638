import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { dropPlan } from '@/service/job/quote/quote';

/** Takes an option off the slip. */
export const DELETE = handle('jobs.write', z.null(), (caller, _, params) =>
  dropPlan(caller, idOf(params), Number(params.place)),
);
