import { many, one } from '../database';
import type { Queryable } from '../queryable';
import type { Family } from './find-offers';

/** What a GB of one size of module cost in a month: the middle of what sellers asked, and where most of them lay. Minor units. */
export interface MonthPrice {
  capacityMiB: number;
  /** `YYYY-MM` */
  month: string;
  low: number;
  middle: number;
  high: number;
  offers: number;
}

/** So many offers of a specification are looked at: more would not move the middle. */
const LOOKED_AT = 40;
const MONTHS = 12;

/**
 * What a GB of third-party modules of a family cost, month by month for a year: of each offer the price that held when
 * the month ended (of this month: that holds now), a quarter below `low`, half below `middle`, a quarter above `high`.
 */
export async function monthPrices(db: Queryable, familyId: number): Promise<MonthPrice[]> {
  return many<MonthPrice & Record<string, unknown>>(
    db,
    `with months as (
       select month from generate_series(date_trunc('month', now()) - make_interval(months => $2 - 1), now(), '1 month') as month
     ), looked_at as (
       select spec.capacity_mib, offer.id, offer.unit_mib from module_spec as spec
       cross join lateral (
         select id, unit_mib from offer where spec_id = spec.id and withdrawn_at is null and cost_cents is not null
           and origin = 'third-party' and job_id is null limit $3
       ) as offer
       where family_id = $1
     ), held as (
       select capacity_mib, month, price.cost_cents * 1024.0 / unit_mib as per_gib from looked_at cross join months
       cross join lateral (
         select cost_cents from offer_price where offer_id = looked_at.id and at < month + interval '1 month'
         order by at desc, id desc limit 1
       ) as price
     )
     select capacity_mib as "capacityMiB", to_char(month, 'YYYY-MM') as month,
       percentile_cont(0.25) within group (order by per_gib)::float as low,
       percentile_cont(0.5) within group (order by per_gib)::float as middle,
       percentile_cont(0.75) within group (order by per_gib)::float as high, count(*) as offers
     from held group by capacity_mib, month order by capacity_mib, month`,
    [familyId, MONTHS, LOOKED_AT],
  );
}

/** The family of a specification. */
export async function familyOfSpec(db: Queryable, specId: number): Promise<number> {
  return (await one<{ id: number }>(db, 'select family_id as id from module_spec where id = $1', [specId])).id;
}

/** Families of modules that somebody sells, newest generation first. */
export async function soldFamilies(db: Queryable): Promise<Omit<Family, 'specs'>[]> {
  return many<Omit<Family, 'specs'> & Record<string, unknown>>(
    db,
    `select id, generation, form, buffering, ecc from module_family as family
     where exists (select from offer where family_id = family.id and withdrawn_at is null and cost_cents is not null
       and origin = 'third-party' and job_id is null)
     order by generation desc, form, buffering desc, ecc`,
  );
}
