import type { StaffLanguage } from '../../words/languages';
import { many, maybeOne, run } from '../database';
import type { Queryable } from '../queryable';

/** Roles, the widest first. */
export const ROLES = ['owner', 'technician', 'counter'] as const;
export type Role = (typeof ROLES)[number];

export interface StaffMember {
  id: number;
  signIn: string;
  name: string;
  role: Role;
  /** of the screens; null: as the browser asks */
  language: StaffLanguage | null;
}

const COLUMNS = 'id, sign_in as "signIn", name, role, language';

/** Keeps a new account; null: the sign-in name is or was somebody's. */
export async function insertStaff(
  db: Queryable,
  member: Omit<StaffMember, 'id' | 'language'> & { passwordHash: string; demoPassword: string | null },
): Promise<number | null> {
  const row = await maybeOne<{ id: number }>(
    db,
    `insert into staff (sign_in, name, role, password_hash, demo_password) values ($1, $2, $3, $4, $5)
     on conflict (sign_in) do nothing returning id`,
    [member.signIn, member.name, member.role, member.passwordHash, member.demoPassword],
  );
  return row?.id ?? null;
}

export async function listStaff(db: Queryable): Promise<StaffMember[]> {
  return many<StaffMember>(db, `select ${COLUMNS} from staff where left_at is null order by id`);
}

export async function findForSignIn(
  db: Queryable,
  signIn: string,
): Promise<(StaffMember & { passwordHash: string }) | null> {
  return maybeOne(
    db,
    `select ${COLUMNS}, password_hash as "passwordHash" from staff where sign_in = $1 and left_at is null`,
    [signIn],
  );
}

export interface DemoAccount {
  signIn: string;
  name: string;
  role: Role;
  password: string;
}

/** Demo accounts with their passwords, only while the demo data is what is loaded. */
export async function listDemoAccounts(db: Queryable): Promise<DemoAccount[]> {
  return many<DemoAccount>(
    db,
    `select sign_in as "signIn", staff.name, role, demo_password as password
     from staff cross join shop
     where shop.demo and demo_password is not null and left_at is null order by id`,
  );
}

/** Lets a person go: the account stays for what it did, but opens nothing, at once. */
export async function endStaff(db: Queryable, id: number): Promise<number> {
  await run(db, 'delete from session where staff_id = $1', [id]);
  await run(db, 'delete from known_browser where staff_id = $1', [id]);
  return run(db, 'update staff set left_at = now() where id = $1 and left_at is null', [id]);
}

/** Owners who are still here, locked so that two cannot leave at once. */
export async function countOwners(db: Queryable): Promise<number> {
  const rows = await many(db, `select id from staff where role = 'owner' and left_at is null for update`);
  return rows.length;
}

/** Notes in which language a person reads the screens. */
export async function updateLanguage(db: Queryable, staffId: number, language: StaffLanguage): Promise<void> {
  await run(db, 'update staff set language = $2 where id = $1', [staffId, language]);
}
