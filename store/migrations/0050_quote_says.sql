-- What every quote says beside its options.
alter table shop
  add column guarantee_parts_months integer not null default 0 check (guarantee_parts_months between 0 and 120),
  add column guarantee_work_months integer not null default 0 check (guarantee_work_months between 0 and 120),
  -- customers read what a GB costs
  add column paper_per_gb boolean not null default false;

-- Texts of the shop that stand whole on quotes: its terms, what customers bring or do, the withdrawal notice. Each version
-- stays: a quote says which it has.
create table paper_text (
  kind text not null check (kind in ('bring', 'terms', 'withdrawal')),
  language text not null check (language in ('en', 'de', 'fr')),
  version integer not null check (version > 0),
  -- empty: it is on no quote any more
  words text not null check (length(words) <= 20000),
  written_by integer references staff (id),
  written_at timestamptz not null default now(),
  primary key (kind, language, version)
);
