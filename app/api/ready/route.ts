import type { NextRequest } from 'next/server';
import { answer, caught } from '@/app/handle';
import { isReady } from '@/service/ready';
import { fault } from '@/service/result';

/** Tells whether work can be done: the database answers. Nothing is started again because it does not. */
export async function GET(request: NextRequest): Promise<Response> {
  try {
    return (await isReady()) ? Response.json({ ready: true }) : answer(fault('busy', 'The database does not answer.'));
  } catch (cause) {
    return caught(cause, request);
  }
}
