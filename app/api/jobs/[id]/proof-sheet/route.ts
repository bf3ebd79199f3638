import { z } from 'zod';
import { fileAnswer, handle, idOf } from '@/app/handle';
import { proofOfJob } from '@/service/job/proof/proof-sheet';

/** The signed proof sheet of a job as a PDF. */
export const GET = handle('jobs.read', z.null(), async (caller, _, params) =>
  fileAnswer(await proofOfJob(caller, idOf(params)), 'application/pdf'),
);
