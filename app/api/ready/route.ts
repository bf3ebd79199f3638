import type { NextRequest } from 'next/server';
import { caught } from '@/app/handle';
import { readiness } from '@/service/ready';

/** Tells whether work can be done: the database answers; with how the work beside requests does. Nothing is started again because it does not. */
export async function GET(request: NextRequest): Promise<Response> {
  try {
    return Response.json(await readiness());
  } catch (cause) {
    return caught(cause, request);
  }
}
