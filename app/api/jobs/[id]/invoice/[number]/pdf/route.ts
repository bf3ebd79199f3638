import { z } from 'zod';
import { fileAnswer, handle, idOf } from '@/app/handle';
import { invoicePaper } from '@/service/job/invoice/invoice-files';

/** An invoice of the job as a PDF. */
export const GET = handle('jobs.read', z.null(), async (caller, _, params) =>
  fileAnswer(await invoicePaper(caller, idOf(params), params.number ?? ''), 'application/pdf'),
);
