import { handle, idOf } from '@/app/handle';
import { endFailed, failedTaskSchema } from '@/service/background';

/** Has a task that failed tried again, or discards it. */
export const POST = handle('shop.settings', failedTaskSchema, (caller, body, params) =>
  endFailed(caller, idOf(params), body),
);
