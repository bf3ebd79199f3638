import { one } from '../database';
import type { Queryable } from '../queryable';

/** What a new shop sets up, in the order in which it is of use. */
export const FIRST_STEPS = ['prices', 'texts', 'sellers', 'list', 'machine', 'mail', 'staff', 'address'] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];

/** Which steps of the first hour are done, as the database tells; of the address it knows only what was typed. */
export async function doneInFirstHour(db: Queryable): Promise<FirstStep[]> {
  const found = await one<Record<FirstStep, boolean>>(
    db,
    `select
       exists (select from event where kind in ('charges-changed', 'price-rule-changed')) as prices,
       exists (select from event where kind = 'texts-approved') as texts,
       exists (select from seller) as sellers,
       exists (select from offer where seller_id is not null and withdrawn_at is null) as list,
       exists (select from model) or exists (select from job) as machine,
       (select mail_from <> '' from shop) as mail,
       (select count(*) > 1 from staff where left_at is null) as staff,
       (select customer_address <> '' from shop) as address`,
  );
  return FIRST_STEPS.filter((step) => found[step]);
}
