-- What can be bought, and every price it ever had.

create table seller (
  id integer generated always as identity primary key,
  name text not null unique check (length(trim(name)) between 1 and 80),
  lead_days integer not null check (lead_days between 0 and 120),
  -- where its price feed answers; null: none
  feed_url text
);

create table offer (
  id integer generated always as identity primary key,
  -- null: the shop's own shelf
  seller_id integer references seller (id),
  seller_part text check (length(seller_part) between 1 and 80),
  title text not null check (length(trim(title)) between 1 and 300),
  origin text not null check (origin in ('original', 'third-party', 'used')),
  modules integer not null check (modules between 1 and 8),
  module jsonb not null
    check ((module ->> 'capacityMiB')::bigint > 0 and (module ->> 'rateMTs')::integer > 0),
  generation text not null generated always as (module ->> 'generation') stored,
  form text not null generated always as (module ->> 'form') stored,
  -- null: the seller does not say
  stock integer check (stock >= 0),
  -- an original part fits the models it is made for
  note text not null default '',
  withdrawn_at timestamptz,
  unique (seller_id, seller_part),
  check ((seller_id is null) = (origin = 'used'))
);
create index offer_for_planning on offer (generation, form) where withdrawn_at is null;

create table offer_model (
  offer_id integer not null references offer (id) on delete cascade,
  model_id integer not null references model (id) on delete cascade,
  primary key (offer_id, model_id)
);

create table offer_price (
  id bigint generated always as identity primary key,
  offer_id integer not null references offer (id) on delete cascade,
  -- what the shop pays for one unit, without tax
  cost_cents integer not null check (cost_cents > 0),
  came_from text not null check (length(trim(came_from)) between 1 and 120),
  at timestamptz not null default now()
);
create index offer_price_latest on offer_price (offer_id, at desc, id desc);

-- Prices are a history: a row is never changed.
create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception '% keeps what it was: % is not allowed', tg_table_name, lower(tg_op)
    using errcode = 'integrity_constraint_violation';
end $$;
create trigger offer_price_is_history before update on offer_price for each row execute function refuse_change();
