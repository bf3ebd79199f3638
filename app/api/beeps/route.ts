import { handle } from '@/app/handle';
import { beepSchema, keepBeep } from '@/service/job/bench/fitting';

/** Keeps what a maker's beeps mean. */
export const POST = handle('library.write', beepSchema, keepBeep);
