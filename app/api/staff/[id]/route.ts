import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { removeStaff } from '@/service/staff/staff-accounts';

/** Closes an account. */
export const DELETE = handle('staff.manage', z.null(), (caller, _, params) => removeStaff(caller, idOf(params)));
