-- Sellers that are made on purpose, and offers that say where their part comes from and what it is made for.

update seller set name = left(name, 60) || ' (' || id || ')'
  where exists (select from seller as earlier where lower(earlier.name) = lower(seller.name) and earlier.id < seller.id);
create unique index seller_by_name on seller (lower(name));
alter table seller
  -- nothing is bought there any more; what was stays
  add column retired_at timestamptz,
  -- the maker whose own parts it sells; null: none
  add column parts_of text check (length(trim(parts_of)) between 1 and 80);

-- What answers at a feed's address.
alter table seller_feed
  add column kind text not null default 'feed' check (kind in ('feed', 'csv', 'page')),
  -- rows of its lists that are sure count without anybody's look
  add column applies boolean not null default false;
-- Hosts that an owner allowed to be asked; own: it may be on the shop's own machine or network.
create table feed_host (
  host text primary key check (length(host) between 1 and 260),
  own boolean not null default false,
  allowed_by integer references staff (id),
  allowed_at timestamptz not null default now()
);
insert into feed_host (host, own)
  select distinct regexp_replace(lower(url), '^https?://([^/?#]*@)?([^/?#]+).*$', '\2'), true from seller_feed
  on conflict do nothing;

alter table offer
  -- whose original it is, as it was said, and as makers are compared; null: nobody's, or it is not told
  add column original_of text check (length(trim(original_of)) between 1 and 80),
  add column original_key text check (length(original_key) between 1 and 80),
  -- it is made for every model of that maker
  add column every_model boolean not null default false,
  -- its own delivery time; null: as its seller's
  add column lead_days integer check (lead_days between 0 and 365),
  add check ((original_of is null) = (original_key is null)),
  add check (original_of is null or origin = 'original'),
  add check (not every_model or original_of is not null);
-- A maker's own part is for machines of that maker, and left out for all others, whether we know them yet or not.
update offer set for_models = true where origin = 'original';
update offer set original_of = made.maker, original_key = regexp_replace(lower(made.maker), '[^[:alnum:]]+', '', 'g')
  from (
    select offer_id, min(maker) as maker from offer_model join model on model.id = model_id group by offer_id having count(distinct maker) = 1
  ) as made
  where made.offer_id = offer.id and origin = 'original'
    and length(regexp_replace(lower(made.maker), '[^[:alnum:]]+', '', 'g')) > 0;
create index offer_of_maker on offer (original_key, spec_id, modules, cost_cents)
  where every_model and withdrawn_at is null and cost_cents is not null;
create index offer_original on offer (id) where origin = 'original' and withdrawn_at is null;

-- Models that an original is said to be for and that nobody has bound yet, as they were written.
create table offer_unbound (
  offer_id integer not null references offer (id) on delete cascade,
  said text not null check (length(trim(said)) between 1 and 80),
  primary key (offer_id, said)
);
create index offer_unbound_said on offer_unbound (lower(said));

alter table price_list_row
  add column origin text check (origin in ('original', 'third-party', 'used')),
  add column original_of text,
  add column original_key text,
  add column made_for text[];
-- How an offer's origin stood before a list changed it; null: it did not.
alter table price_list_change add column origin_before jsonb;
