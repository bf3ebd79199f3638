-- Price lists of a million rows: kept in parts as they came, read row by row, compared and applied within the database.

alter table price_list
  -- SHA-256 and length of the file
  add column sha256 bytea,
  add column bytes bigint not null default 0 check (bytes >= 0),
  -- as its bytes tell; null: not looked at yet
  add column encoding text check (encoding in ('utf-8', 'utf-16le', 'utf-16be', 'windows-1252')),
  -- columns as they were guessed with the roles in doubt, and the first rows as they stand
  add column guessed jsonb,
  add column sample jsonb not null default '[]' check (jsonb_typeof(sample) = 'array'),
  -- rows that are no offers: how many, and the first of them
  add column passed_over jsonb,
  -- terms, currency and rate that its prices were counted by
  add column ground jsonb,
  -- why its prices cannot be counted, or why it could not be read
  add column sentence text,
  -- offers of the seller that it does not name
  add column gone integer,
  -- how the seller's offers stood when it was compared with them
  add column stood text,
  -- what applying it did: {added, priced, withdrawn, left}
  add column outcome jsonb,
  drop constraint price_list_state_check,
  drop constraint price_list_check,
  drop constraint price_list_check1;

-- The file in parts of a MiB; a list that is not whole yet is `arriving`, and nobody's business.
create table price_list_part (
  list_id integer not null references price_list (id) on delete cascade,
  nr integer not null check (nr > 0),
  bytes bytea compression lz4 not null,
  primary key (list_id, nr)
);
insert into price_list_part (list_id, nr, bytes) select id, 1, input from price_list where length(input) > 0;
update price_list set sha256 = sha256(input), bytes = length(input);
alter table price_list
  drop column input,
  alter column columns set default '{}';
-- What was looked at is read anew, into rows.
update price_list set state = 'reading' where state = 'looked-at';
alter table price_list
  alter column state set default 'arriving',
  add check (state in ('arriving', 'reading', 'failed', 'looked-at', 'applied', 'undone')),
  add check ((state in ('applied', 'undone')) = (applied_at is not null)),
  add check ((state = 'undone') = (undone_at is not null));
create index price_list_by_content on price_list (seller_id, sha256);

-- How far a list's work is. Nobody has worked on it where `at` is long ago.
create table price_list_work (
  list_id integer primary key,
  what text not null check (what in ('reading', 'comparing', 'applying', 'undoing')),
  done bigint not null,
  whole bigint not null,
  at timestamptz not null default now()
);

-- A list's rows as they were read, with what each would change. Of many millions, so no foreign keys.
create table price_list_row (
  list_id integer not null,
  line integer not null,
  sku text not null,
  title text not null,
  modules smallint not null,
  -- which of the list's modules it is; null: it does not tell enough of it
  spec integer,
  maker text,
  part text,
  printed_cents integer,
  currency text,
  stock integer,
  used boolean not null,
  -- what it comes to for the shop; null: it cannot be counted
  cost_cents integer,
  -- where it is made of more than the printed price
  steps jsonb,
  doubts text[],
  -- the row as it was read, where somebody may put it right
  as_read jsonb,
  -- an earlier row has the same number
  twice boolean not null default false,
  fate text not null check (fate in ('new', 'same', 'up', 'down', 'doubtful')),
  suspicion text check (suspicion in ('decimal-slip', 'kit-or-single', 'jump', 'currency', 'twice')),
  -- the offer it is a price of, and what that was; in what we pay where the seller's own price was never noted
  offer_id integer,
  from_cents integer,
  by_cost boolean not null default false,
  heap text generated always as (case when fate = 'doubtful' then fate when suspicion is not null then 'suspicious' else fate end) stored,
  primary key (list_id, line)
);
create index price_list_row_to_look_at on price_list_row (list_id, heap, line) where heap in ('suspicious', 'doubtful');

-- Modules of a list, by the numbers its rows call them.
create table price_list_spec (
  list_id integer not null references price_list (id) on delete cascade,
  nr integer not null,
  spec_id integer not null references module_spec (id),
  primary key (list_id, nr)
);

-- Sellers' numbers are the same in any case.
update offer set seller_part = left(seller_part, 66) || ' (' || id || ')'
  where exists (select from offer as earlier
    where earlier.seller_id = offer.seller_id and lower(earlier.seller_part) = lower(offer.seller_part) and earlier.id < offer.id);
alter table offer drop constraint offer_seller_id_seller_part_key;
create unique index offer_by_seller_part on offer (seller_id, lower(seller_part));

-- What a list did to each offer, in columns; offers are never deleted.
create table list_change (
  list_id integer not null,
  offer_id integer not null,
  added boolean not null,
  withdrawn boolean not null,
  stock integer,
  -- the price that counted before; null: it stayed
  price_id bigint,
  primary key (list_id, offer_id)
);
insert into list_change (list_id, offer_id, added, withdrawn, stock, price_id)
  select list_id, offer_id, (before ->> 'added')::boolean, (before ->> 'withdrawn')::boolean, (before ->> 'stock')::integer,
    case when before ->> 'costCents' is not null then (
      select price.id from offer_price as price
      where price.offer_id = change.offer_id and price.at < price_list.applied_at
      order by price.at desc, price.id desc limit 1
    ) end
  from price_list_change as change join price_list on price_list.id = list_id;
drop table price_list_change;
alter table list_change rename to price_list_change;
alter index list_change_pkey rename to price_list_change_pkey;

-- Most days nothing happens to what a seller's prices are counted by; then only coupons are looked at.
alter table seller add column counted_ground jsonb;
create index offer_price_with_coupon on offer_price (offer_id) where coupon is not null;

-- The latest prices of many offers are drawn beside one another: all that is drawn stands in the index.
drop index offer_price_latest;
create index offer_price_latest on offer_price (offer_id, at desc, id desc) include (cost_cents);

-- Whoever adds offers with their first price in one statement says so, and nothing is looked up for each of them.
create or replace function note_latest_price() returns trigger language plpgsql as $$
begin
  if current_setting('fenbrik.prices_are_put', true) = 'yes' then return null; end if;
  update offer set price_id = latest.id, cost_cents = latest.cost_cents, priced_at = latest.at
  from (select distinct on (offer_id) id, offer_id, cost_cents, at from fresh order by offer_id, at desc, id desc) as latest
  where offer.id = latest.offer_id
    and (offer.priced_at is null or (latest.at, latest.id) > (offer.priced_at, offer.price_id));
  return null;
end $$;
