import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { showMarketText } from '@/service/job/options/market-text';
import { fault, type Result } from '@/service/result';

/**
 * The planning case and what is offered for it, as a page of the job named it by its mark: one mark means one text for ever.
 * Where it is another by now, that is right to work with, and wrong to keep under the old one's name.
 */
export const GET = handle(
  'jobs.read',
  z.null(),
  async (caller, _, params, request): Promise<Result<never> | Response> => {
    const market = await showMarketText(caller, idOf(params), params.key ?? '');
    if (market === null) return fault('not-found', 'There is no such job.');
    const headers = {
      etag: `"${market.mark}"`,
      'content-type': 'application/json; charset=utf-8',
      'cache-control': market.mark === params.key ? 'private, max-age=3600, immutable' : 'private, no-cache',
    };
    if (request.headers.get('if-none-match') === headers.etag) return new Response(null, { status: 304, headers });
    return new Response(market.text, { headers });
  },
);
