import { handle } from '@/app/handle';
import { askMarketSchema, exportMarket } from '@/service/market/market';

/** The offers that are this as CSV. Posted, since a wish may hold anything that somebody types. */
export const POST = handle(
  'costs.read',
  askMarketSchema.pick({ text: true, jobId: true, sort: true }),
  async (caller, wish) => {
    const file = await exportMarket(caller, wish);
    if (!file.ok) return file;
    return new Response(file.value, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="offers.csv"',
        'cache-control': 'no-store',
      },
    });
  },
);
