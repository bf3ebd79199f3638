import type { Queryable } from '../store/queryable';

/** A market of the size that is asked for, the same for the same seed: sellers, specifications, offers, ten prices each. */
export interface MarketSize {
  offers: number;
  /** prices of each offer, a month apart */
  prices: number;
  sellers: number;
  seed: number;
}

const SPECS = `
with kinds (generation, form, buffering, ecc, rates, caps, mv) as (values
  ('DDR3', 'DIMM', 'unbuffered', false, array[1066, 1333, 1600, 1866], array[1, 2, 4, 8], 1500),
  ('DDR3', 'SO-DIMM', 'unbuffered', false, array[1066, 1333, 1600, 1866], array[1, 2, 4, 8], 1500),
  ('DDR3', 'DIMM', 'unbuffered', true, array[1333, 1600], array[2, 4, 8], 1500),
  ('DDR3', 'DIMM', 'registered', true, array[1066, 1333, 1600, 1866], array[4, 8, 16], 1500),
  ('DDR4', 'DIMM', 'unbuffered', false, array[2133, 2400, 2666, 2933, 3200], array[4, 8, 16, 32], 1200),
  ('DDR4', 'SO-DIMM', 'unbuffered', false, array[2133, 2400, 2666, 2933, 3200], array[4, 8, 16, 32], 1200),
  ('DDR4', 'DIMM', 'unbuffered', true, array[2133, 2400, 2666, 3200], array[4, 8, 16, 32], 1200),
  ('DDR4', 'SO-DIMM', 'unbuffered', true, array[2400, 2666, 3200], array[8, 16, 32], 1200),
  ('DDR4', 'DIMM', 'registered', true, array[2133, 2400, 2666, 2933, 3200], array[8, 16, 32, 64], 1200),
  ('DDR4', 'DIMM', 'load-reduced', true, array[2400, 2666, 2933, 3200], array[32, 64, 128], 1200),
  ('DDR5', 'DIMM', 'unbuffered', false, array[4800, 5200, 5600, 6000], array[8, 16, 24, 32, 48], 1100),
  ('DDR5', 'SO-DIMM', 'unbuffered', false, array[4800, 5200, 5600], array[8, 16, 24, 32, 48], 1100),
  ('DDR5', 'DIMM', 'unbuffered', true, array[4800, 5200, 5600], array[16, 32, 48], 1100),
  ('DDR5', 'DIMM', 'registered', true, array[4800, 5600, 6400], array[16, 32, 64, 96], 1100)
)
select spec_of(jsonb_build_object('generation', generation, 'form', form, 'buffering', buffering, 'ecc', ecc,
  'capacityMiB', cap * 1024, 'rateMTs', rate, 'casLatency', ceil(rate * 13.75 / 2000) + case when tuned then 2 else 0 end,
  'ranks', rank, 'voltagesMv', jsonb_build_array(mv)) || case when tuned then '{"heightMm": 44}' else '{}'::jsonb end) as spec_id
from kinds, unnest(rates) as rate, unnest(caps) as cap, generate_series(1, 2) as rank,
  -- modules for people who tune: another latency under a heat spreader, where nobody wants them checked
  unnest(case when form = 'DIMM' and not ecc then array[false, true] else array[false] end) as tuned`;

/** Fills an empty shop's database. Prices are what each module of its size cost, give or take, drifting by the month. */
export async function makeMarket(db: Queryable, { offers, prices, sellers, seed }: MarketSize): Promise<void> {
  await db.query('select setseed($1)', [(seed % 1000) / 1000]);
  await db.query(
    `insert into seller (name, lead_days, trust, rating, rating_count)
     select 'Quay Trade ' || n, n % 9 + 1, case when n % 3 = 0 then 'marketplace' else 'own-stock' end, 300 + n * 7 % 200, n * 13 % 900 + 1
     from generate_series(1, $1::int) as n`,
    [sellers],
  );
  await db.query(`create temporary table made as ${SPECS}`);
  await db.query(`create temporary table wares as select row_number() over (order by random()) as nr, spec_id, family_id, capacity_mib, rate_mts
    from made join module_spec on id = spec_id`);
  await db.query('alter table offer_price disable trigger offer_price_is_latest');
  // The common ones are common: a tenth of the specifications make half of the offers.
  await db.query(
    `insert into offer (seller_id, seller_part, title, origin, modules, spec_id, family_id, unit_mib, maker, part, stock, price_id, cost_cents, priced_at)
     select seller.id, 'QT-' || n, capacity_mib / 1024 || ' GB module ' || rate_mts || ' no. ' || n,
       case when n % 11 = 0 then 'original' else 'third-party' end, kit, spec_id, family_id, capacity_mib * kit,
       'Maker ' || n % 40, 'M' || n, case when n % 4 = 0 then null else (random() * 40)::int end,
       (select coalesce(max(id), 0) from offer_price) + (n - 1) * $2::bigint + $2, cost, date_trunc('hour', now())
     from (
       select n, (array[1, 1, 1, 2, 2, 4])[1 + floor(random() * 6)::int] as kit,
         1 + floor(power(random(), 3) * (select count(*) from wares))::int as pick, 0.6 + random() as tint
       from generate_series(1, $1::int) as n
     ) as drawn
     join wares on nr = pick
     join (select id, row_number() over (order by id) as place from seller where name like 'Quay Trade %') as seller
       on place = n % $3::int + 1
     cross join lateral (select greatest(150, (capacity_mib / 1024 * 210 * kit * tint)::int) as cost) as priced`,
    [offers, prices, sellers],
  );
  for (let month = 1; month <= prices; month++) {
    await db.query(
      `insert into offer_price (id, offer_id, cost_cents, came_from, at) overriding system value
       select price_id - $1::bigint + $2, id, case when $2 = $1 then cost_cents else greatest(100, (cost_cents * (0.85 + random() * 0.4))::int) end,
         'generator', priced_at - make_interval(days => 30 * ($1::int - $2::int)) from offer where price_id is not null and seller_part like 'QT-%'`,
      [prices, month],
    );
  }
  await db.query("select setval(pg_get_serial_sequence('offer_price', 'id'), (select max(id) from offer_price))");
  await db.query('alter table offer_price enable trigger offer_price_is_latest');
  await db.query('drop table wares, made');
}
