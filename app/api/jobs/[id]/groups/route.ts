import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { addGroup, removeGroup } from '@/service/job/intake/several';

/** Adds a group of machines that differ from the job's others. */
export const POST = handle('jobs.write', z.null(), (caller, _, params) => addGroup(caller, idOf(params)));

/** Removes the group that is kept as this job. */
export const DELETE = handle('jobs.write', z.null(), (caller, _, params) => removeGroup(caller, idOf(params)));
