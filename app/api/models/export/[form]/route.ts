import { z } from 'zod';
import { handle } from '@/app/handle';
import { exportModels } from '@/service/library/library';
import { fault } from '@/service/result';

const TYPES = { json: 'application/json', csv: 'text/csv' } as const;

/** The library of models as a file, JSON or CSV. */
export const GET = handle('library.read', z.null(), async (caller, _, { form }) => {
  if (form !== 'json' && form !== 'csv') return fault('not-found', 'The library is there as json and as csv.');
  return new Response(await exportModels(caller, form), {
    headers: {
      'content-type': `${TYPES[form]}; charset=utf-8`,
      'content-disposition': `attachment; filename="models.${form}"`,
      'cache-control': 'no-store',
    },
  });
});
