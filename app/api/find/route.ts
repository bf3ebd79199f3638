import { handle } from '@/app/handle';
import { find, findSchema } from '@/service/job/find';
import { done } from '@/service/result';

/** What a typed line may mean: models, and customers and machines of before. Posted, so that no name stands in an address. */
export const POST = handle('jobs.read', findSchema, async (caller, body) => done(await find(caller, body)));
