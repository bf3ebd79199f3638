import { z } from 'zod';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { hashPassword } from '../../store/staff/password';
import { countOwners, endStaff, insertStaff, listStaff, ROLES, type StaffMember } from '../../store/staff/staff';
import { done, fault, type Result } from '../result';
import type { Caller } from './access';

/** A new account as the owner types it. */
export const newStaffSchema = z.strictObject({
  name: z.string().trim().min(1, 'Enter the person’s name.').max(80),
  signIn: z
    .string()
    .trim()
    .toLowerCase()
    .regex(/^[a-z0-9][a-z0-9._-]{1,39}$/, 'A username has 2 to 40 letters, digits, dots or dashes.'),
  role: z.enum(ROLES, { error: `A role is one of ${ROLES.join(', ')}.` }),
  password: z.string().min(10, 'A password has at least 10 characters.').max(200),
});

export async function staffList(_: Caller<'staff.manage'>): Promise<StaffMember[]> {
  return listStaff(pool());
}

export async function addStaff(
  caller: Caller<'staff.manage'>,
  account: z.infer<typeof newStaffSchema>,
): Promise<Result<{ id: number }>> {
  const passwordHash = await hashPassword(account.password);
  return transaction(async (db) => {
    const { name, signIn, role } = account;
    const id = await insertStaff(db, { name, signIn, role, passwordHash, demoPassword: null });
    // Also the name of somebody who left: their account stays for what they did.
    if (id === null) return fault('conflict', `The username "${signIn}" is taken: choose another.`);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'staff-added', detail: { signIn, role } });
    return done({ id });
  });
}

export async function removeStaff(caller: Caller<'staff.manage'>, id: number): Promise<Result<null>> {
  if (id === caller.id) return fault('conflict', 'You cannot deactivate your own account: ask another owner.');
  return transaction(async (db) => {
    const owners = await countOwners(db);
    const member = (await listStaff(db)).find((one) => one.id === id);
    if (member === undefined) return fault('not-found', 'This account is deactivated already.');
    if (member.role === 'owner' && owners < 2) return fault('conflict', 'A shop needs at least one owner.');
    await endStaff(db, id);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'staff-left', detail: { signIn: member.signIn } });
    return done(null);
  });
}
