import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { takeOtherMachines } from '@/service/job/intake/intake';

/** Takes the machines that the job's other reports are of into the job. */
export const POST = handle('jobs.write', z.null(), (caller, _, params) => takeOtherMachines(caller, idOf(params)));
