-- Price lists as they were dropped, looked at before they count, applied whole and undone whole.

alter table seller
  -- which column holds what, as it was corrected once; with the headings it was corrected for
  add column list_columns jsonb;

create table price_list (
  id integer generated always as identity primary key,
  seller_id integer not null references seller (id),
  name text not null check (length(trim(name)) between 1 and 200),
  input bytea not null,
  headings integer,
  columns jsonb not null check (jsonb_typeof(columns) = 'object'),
  -- what a person said of doubtful rows, by line
  fixes jsonb not null default '{}' check (jsonb_typeof(fixes) = 'object'),
  state text not null default 'looked-at' check (state in ('looked-at', 'applied', 'undone')),
  made_by integer references staff (id),
  made_at timestamptz not null default now(),
  applied_at timestamptz,
  undone_at timestamptz,
  check ((state = 'looked-at') = (applied_at is null)),
  check ((state = 'undone') = (undone_at is not null))
);
create index price_list_of_seller on price_list (seller_id, made_at desc);

-- What an applied list did to each offer, so that it can be undone.
create table price_list_change (
  list_id integer not null references price_list (id) on delete cascade,
  offer_id integer not null references offer (id) on delete cascade,
  -- as it was before: {added, withdrawn, stock, costCents, printedCents, coupon, units, steps}
  before jsonb not null,
  primary key (list_id, offer_id)
);
