import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { forgetBeep } from '@/service/job/bench/fitting';

export const DELETE = handle('library.write', z.null(), (caller, _, params) => forgetBeep(caller, idOf(params)));
