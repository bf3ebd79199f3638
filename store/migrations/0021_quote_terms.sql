-- How tax lies on what is asked, what work costs, what is agreed on a quote beside its lines, and what its papers say.

alter table shop
  -- do prices hold the tax, or is it added to them; is it rounded by line, or once for each rate
  add column tax_way text not null default 'contained' check (tax_way in ('contained', 'added')),
  add column tax_rounding text not null default 'total' check (tax_rounding in ('line', 'total')),
  -- hundredths of a percent; null: as parts are taxed
  add column labour_tax_bp integer check (labour_tax_bp between 0 and 10000),
  add column fee_tax_bp integer check (fee_tax_bp between 0 and 10000),
  add column credit_tax_bp integer check (credit_tax_bp between 0 and 10000),
  -- null: every machine is asked the flat rate
  add column labour_hour_cents integer check (labour_hour_cents between 0 and 10000000),
  add column labour_least_cents integer not null default 0 check (labour_least_cents between 0 and 10000000),
  add column labour_step_minutes integer not null default 15 check (labour_step_minutes between 1 and 120),
  add column language text not null default 'en' check (language in ('en', 'de', 'fr')),
  add column paper text not null default 'A4' check (paper in ('A4', 'Letter')),
  add column logo bytea check (length(logo) between 1 and 1000000);
comment on column shop.tax_bp is 'hundredths of a percent, on parts and on whatever has no rate of its own';
comment on column shop.labour_cents is 'flat rate for work';

alter table customer
  add column language text check (language in ('en', 'de', 'fr')),
  add column tax_exempt text check (length(tax_exempt) between 1 and 120);
comment on column customer.tax_exempt is 'why this customer pays no tax; null: pays it';

-- What holds for a whole quote, and what was typed over the lines of an option.
alter table quote add column terms jsonb not null default '{}';
alter table quote_choice add column edits jsonb not null default '{}';

-- A text that customers read, as the shop words it or as it is supplied: nobody reads one that the shop has not approved.
create table shop_text (
  key text not null check (key ~ '^[a-z-]{3,40}$'),
  language text not null check (language in ('en', 'de', 'fr')),
  -- null: as it is supplied
  words text check (length(words) between 1 and 400),
  -- the supplied text as it read when it was approved
  supplied text not null,
  approved_by integer not null references staff (id),
  approved_at timestamptz not null default now(),
  primary key (key, language)
);
