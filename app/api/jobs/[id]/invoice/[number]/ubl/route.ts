import { z } from 'zod';
import { fileAnswer, handle, idOf } from '@/app/handle';
import { invoiceXml } from '@/service/job/invoice/invoice-files';

/** An invoice of the job as UBL 2.3 Invoice. */
export const GET = handle('jobs.read', z.null(), async (caller, _, params) =>
  fileAnswer(await invoiceXml(caller, idOf(params), params.number ?? ''), 'application/xml'),
);
