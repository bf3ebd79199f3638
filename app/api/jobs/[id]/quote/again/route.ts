import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { renewQuote } from '@/service/job/quote/renew-quote';

/** Puts the options of the quote that is out on the slip again, at today's prices. */
export const POST = handle('jobs.write', z.null(), (caller, _, params) => renewQuote(caller, idOf(params)));
