import { handle } from '@/app/handle';
import { addStaff, newStaffSchema } from '@/service/staff/staff-accounts';

/** Opens an account. */
export const POST = handle('staff.manage', newStaffSchema, (caller, body) => addStaff(caller, body));
