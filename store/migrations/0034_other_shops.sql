-- What other shops hand us: shown as theirs, believed where an owner trusts them, and taken out whole.

alter table shop add column shop_key uuid not null default gen_random_uuid();
create table other_shop (
  id integer generated always as identity primary key,
  shop_key uuid not null unique,
  name text not null check (length(trim(name)) between 1 and 120),
  -- their trials lift limits, and their decisions hold, only then
  trusted boolean not null default false,
  trusted_by integer references staff (id),
  first_at timestamptz not null default now()
);
alter table model add column shop_id integer references other_shop (id) on delete set null;
alter table claim add column shop_id integer references other_shop (id) on delete cascade;
alter table trial add column shop_id integer references other_shop (id) on delete cascade;
create index claim_of_shop on claim (shop_id) where shop_id is not null;
create index trial_of_shop on trial (shop_id) where shop_id is not null;
create index model_of_shop on model (shop_id) where shop_id is not null;
