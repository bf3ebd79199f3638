-- A million offers: what many of them say of their modules is said once, and each knows its price of now.

-- Modules that may stand in one machine together; they never mix with another family.
create table module_family (
  id smallint generated always as identity primary key,
  generation text not null,
  form text not null,
  buffering text not null,
  ecc boolean not null,
  unique (generation, form, buffering, ecc)
);

-- What a module is, but for who made it and what they call it.
create table module_spec (
  id integer generated always as identity primary key,
  family_id smallint not null references module_family (id),
  module jsonb not null
    check ((module ->> 'capacityMiB')::bigint > 0 and (module ->> 'rateMTs')::integer > 0)
    check (not module ?| array['maker', 'part']),
  capacity_mib bigint not null generated always as ((module ->> 'capacityMiB')::bigint) stored,
  rate_mts integer not null generated always as ((module ->> 'rateMTs')::integer) stored,
  -- true latency of the first word, picoseconds: CL * 2000 / rate
  latency_ps integer generated always as
    (((module ->> 'casLatency')::numeric * 2000000 / (module ->> 'rateMTs')::numeric)::integer) stored,
  cas numeric generated always as ((module ->> 'casLatency')::numeric) stored,
  height_mm numeric generated always as ((module ->> 'heightMm')::numeric) stored,
  unique (id, family_id)
);
create unique index module_spec_once on module_spec (md5(module::text));
create index module_spec_of_family on module_spec (family_id, capacity_mib);

-- The spec of a module, made where it is new.
create function spec_of(given jsonb) returns integer language plpgsql as $$
declare
  bare jsonb := jsonb_strip_nulls(given - 'maker' - 'part');
  family smallint;
  found integer;
begin
  select id into found from module_spec where md5(module::text) = md5(bare::text);
  if found is not null then return found; end if;
  insert into module_family (generation, form, buffering, ecc)
    values (bare ->> 'generation', bare ->> 'form', bare ->> 'buffering', (bare ->> 'ecc')::boolean)
    on conflict do nothing;
  select id into family from module_family
    where generation = bare ->> 'generation' and form = bare ->> 'form'
      and buffering = bare ->> 'buffering' and ecc = (bare ->> 'ecc')::boolean;
  insert into module_spec (family_id, module) values (family, bare) on conflict do nothing;
  select id into strict found from module_spec where md5(module::text) = md5(bare::text);
  return found;
end $$;

alter table seller
  -- hundredths of a star, 100 to 500, and how many gave them; null: nobody did
  add column rating integer check (rating between 100 and 500),
  add column rating_count integer check (rating_count > 0),
  add check ((rating is null) = (rating_count is null));

alter table offer
  add column spec_id integer,
  add column family_id smallint,
  add column unit_mib bigint check (unit_mib > 0),
  add column maker text check (length(maker) <= 200),
  add column part text check (length(part) <= 200),
  -- made for certain models, and left out for all others
  add column for_models boolean not null default false,
  -- the latest of its prices, kept by a trigger
  add column price_id bigint,
  add column cost_cents integer check (cost_cents > 0),
  add column priced_at timestamptz;

update offer set
  spec_id = spec_of(module), maker = left(module ->> 'maker', 200), part = left(module ->> 'part', 200),
  unit_mib = (module ->> 'capacityMiB')::bigint * modules,
  for_models = exists (select from offer_model where offer_id = offer.id);
update offer set family_id = (select family_id from module_spec where id = spec_id);
update offer set price_id = price.id, cost_cents = price.cost_cents, priced_at = price.at
  from (select distinct on (offer_id) * from offer_price order by offer_id, at desc, id desc) as price
  where price.offer_id = offer.id;

alter table offer
  alter column spec_id set not null,
  alter column family_id set not null,
  alter column unit_mib set not null,
  drop column generation,
  drop column form,
  drop column module,
  add foreign key (spec_id, family_id) references module_spec (id, family_id),
  -- thousandths of a minor unit for one GiB
  add column per_gib bigint generated always as (cost_cents::bigint * 1024 * 1000 / unit_mib) stored;

-- Equal modules, equally many in a pack, of equal origin: of one lot only the cheapest that suffice are worth planning with.
create table offer_lot (
  spec_id integer not null references module_spec (id),
  modules integer not null,
  origin text not null,
  primary key (spec_id, modules, origin)
);
insert into offer_lot select distinct spec_id, modules, origin from offer where not for_models;

create function note_lots() returns trigger language plpgsql as $$
begin
  insert into offer_lot select distinct spec_id, modules, origin from fresh where not for_models on conflict do nothing;
  return null;
end $$;
create trigger offer_notes_lots after insert on offer
  referencing new table as fresh for each statement execute function note_lots();

-- What a model's own parts are is said after the offer.
create function note_for_models() returns trigger language plpgsql as $$
begin
  update offer set for_models = true where id in (select offer_id from fresh) and not for_models;
  return null;
end $$;
create trigger offer_model_notes_offer after insert on offer_model
  referencing new table as fresh for each statement execute function note_for_models();
create index offer_model_of_model on offer_model (model_id);

create function note_latest_price() returns trigger language plpgsql as $$
begin
  update offer set price_id = latest.id, cost_cents = latest.cost_cents, priced_at = latest.at
  from (select distinct on (offer_id) id, offer_id, cost_cents, at from fresh order by offer_id, at desc, id desc) as latest
  where offer.id = latest.offer_id
    and (offer.priced_at is null or (latest.at, latest.id) > (offer.priced_at, offer.price_id));
  return null;
end $$;
create trigger offer_price_is_latest after insert on offer_price
  referencing new table as fresh for each statement execute function note_latest_price();

-- What the planner asks, and each way of sorting what fits.
create index offer_of_lot on offer (spec_id, modules, origin, cost_cents, id) include (stock, seller_id)
  where withdrawn_at is null and cost_cents is not null and not for_models and stock is distinct from 0;
create index offer_by_price on offer (family_id, cost_cents, id) where withdrawn_at is null and cost_cents is not null;
create index offer_by_gib on offer (family_id, per_gib, id) where withdrawn_at is null and cost_cents is not null;
create index offer_by_seller on offer (family_id, seller_id, cost_cents, id) where withdrawn_at is null and cost_cents is not null;
create index offer_by_stock on offer (family_id, (coalesce(stock, -1)) desc, cost_cents, id)
  where withdrawn_at is null and cost_cents is not null;
create index offer_of_spec on offer (spec_id, cost_cents, id) where withdrawn_at is null and cost_cents is not null;
