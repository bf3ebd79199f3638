-- The library of machine models, their slots, and what sources claim about them.

create table model (
  id integer generated always as identity primary key,
  maker text not null check (length(trim(maker)) between 1 and 80),
  name text not null check (length(trim(name)) between 1 and 120),
  year_from integer not null check (year_from between 1980 and 2100),
  year_to integer check (year_to between 1980 and 2100),
  -- product strings that its SMBIOS tables carry, in lower case
  product_strings text[] not null default '{}',
  note text not null default '',
  unique (maker, name, year_from),
  check (year_to is null or year_to >= year_from)
);
create index model_product_strings on model using gin (product_strings);

create table model_slot (
  model_id integer not null references model (id) on delete cascade,
  position integer not null check (position between 1 and 64),
  name text not null check (length(trim(name)) between 1 and 60),
  channel text not null check (length(trim(channel)) between 1 and 20),
  bank integer not null check (bank between 0 and 99),
  max_mib bigint check (max_mib > 0),
  -- the module that is built in; null: a socket
  soldered jsonb,
  primary key (model_id, position),
  unique (model_id, name)
);

create table claim (
  id integer generated always as identity primary key,
  model_id integer not null references model (id) on delete cascade,
  limit_name text not null check (length(limit_name) between 1 and 40),
  value jsonb not null check (value <> 'null'::jsonb),
  source_kind text not null
    check (source_kind in ('technician', 'evidence', 'lid-label', 'board-manual', 'cpu-page', 'maker-page')),
  source_name text not null check (length(trim(source_name)) between 1 and 200),
  noted_on date not null default current_date,
  unique (model_id, limit_name, source_kind, source_name)
);
