-- What a model is in full, who says what of its limits, what was tried in it, and what a customer wants.

alter table model
  -- a bare board is a model too: its CPU is chosen apart
  add column kind text not null default 'machine' check (kind in ('machine', 'board')),
  -- CPU choices: [{name, maxMiB, maxRateMTs}]
  add column cpus jsonb not null default '[]' check (jsonb_typeof(cpus) = 'array'),
  add column firmware text[] not null default '{}',
  -- how it is sold: [{totalMiB, surchargeCents, baseModel}]
  add column factory_options jsonb not null default '[]' check (jsonb_typeof(factory_options) = 'array'),
  add column factory_max_mib bigint check (factory_max_mib > 0),
  -- how it is opened, step by step: [{text, tool, fasteners, lengthMm, unplug, caution, minutes}]
  add column opening jsonb not null default '[]' check (jsonb_typeof(opening) = 'array');

-- Identifiers without case and what parts them, so that spellings meet.
create function plain_keys(identifiers text[]) returns text[] language sql immutable as $$
  select coalesce(array_agg(lower(regexp_replace(one, '[^[:alnum:]]+', '', 'g'))), '{}') from unnest(identifiers) as one
$$;
create function cpu_keys(cpus jsonb) returns text[] language sql immutable as $$
  select coalesce(array_agg(lower(regexp_replace(cpu ->> 'name', '[^[:alnum:]]+', '', 'g'))), '{}')
  from jsonb_array_elements(cpus) as cpu
$$;

-- What a report calls a machine is looked up among its model numbers too.
alter table model add column id_keys text[] not null generated always as (plain_keys(model_ids)) stored;
create index model_id_keys on model using gin (id_keys);

-- Sisters share a board or a CPU: what was tried in one says something of the other.
alter table model
  add column board_keys text[] not null generated always as (plain_keys(board_ids)) stored,
  add column cpu_keys text[] not null generated always as (cpu_keys(cpus)) stored;
create index model_board_keys on model using gin (board_keys);
create index model_cpu_keys on model using gin (cpu_keys);

alter table model_slot
  add column lid_name text check (length(trim(lid_name)) between 1 and 60),
  add column place text check (place in ('open', 'door', 'shield', 'keyboard', 'deep', 'soldered')),
  add column latch text check (length(trim(latch)) between 1 and 40);

alter table claim
  add column note text not null default '' check (length(note) <= 500),
  add column entered_by integer references staff (id),
  drop constraint claim_source_kind_check,
  add constraint claim_source_kind_check check (source_kind in
    ('technician', 'evidence', 'lid-label', 'board-manual', 'cpu-page', 'maker-page', 'tested-list'));

-- A recorded trial: these modules in this model worked or failed. Never averaged, never overwritten.
create table trial (
  id integer generated always as identity primary key,
  model_id integer not null references model (id) on delete cascade,
  job_id integer references job (id) on delete set null,
  module_mib bigint not null check (module_mib > 0),
  generation text not null,
  buffering text not null check (buffering in ('unbuffered', 'registered', 'load-reduced', 'fully-buffered')),
  ecc boolean not null,
  rate_mts integer check (rate_mts > 0),
  modules integer not null check (modules between 1 and 64),
  -- which slots, by the board's names; empty: not noted
  slots text[] not null default '{}',
  total_mib bigint not null check (total_mib > 0),
  firmware text not null default '' check (length(firmware) <= 80),
  cpu text not null default '' check (length(cpu) <= 120),
  outcome text not null check (outcome in ('works', 'fails-to-start', 'starts-with-faults')),
  -- how deep it was tried
  depth text not null check (depth in ('started', 'total-read', 'loaded', 'weeks')),
  note text not null default '' check (length(note) <= 500),
  tried_on date not null,
  entered_by integer references staff (id),
  check (total_mib >= module_mib * modules)
);
create index trial_of_model on trial (model_id, tried_on desc);

-- A seller's or maker's list of tested parts: evidence about parts, kept with the model.
create table tested_part (
  model_id integer not null references model (id) on delete cascade,
  list_name text not null check (length(trim(list_name)) between 1 and 200),
  -- the part number without what parts it, in upper case
  part_key text not null check (part_key ~ '^[A-Z0-9]{3,60}$'),
  part text not null check (length(trim(part)) between 1 and 80),
  noted_on date not null default current_date,
  primary key (model_id, list_name, part_key)
);

alter table job_limit
  add column why text not null default '' check (length(why) <= 500);

alter table job_slot
  add column lid_name text check (length(trim(lid_name)) between 1 and 60),
  -- broken, or covered by a cooler
  add column blocked boolean not null default false,
  add check (not blocked or module is null),
  drop constraint job_slot_place_source_check,
  drop constraint job_slot_module_source_check,
  add constraint job_slot_place_source_check check (place_source in ('reading', 'model', 'typed', 'inferred', 'earlier')),
  add constraint job_slot_module_source_check check (module_source in ('reading', 'model', 'typed', 'inferred', 'earlier'));

alter table job
  add column cpu text not null default '' check (length(cpu) <= 120),
  -- what it is for, by the names of the need table
  add column uses text[] not null default '{}',
  -- which of them is full, memory or storage
  add column full_part text check (full_part in ('memory', 'storage', 'both', 'neither')),
  add column in_use_mib bigint check (in_use_mib > 0),
  add column needed_by date,
  add column cover text check (cover in ('none', 'warranty', 'support')),
  add column os text not null default '' check (length(os) <= 80),
  add column os_bits integer check (os_bits in (32, 64)),
  -- a machine that the customer has not bought yet
  add column not_bought boolean not null default false;

create index model_by_name on model (lower(maker), lower(name), year_from);
create index job_by_serial on job (lower(serial)) where serial <> '';
create index job_by_customer on job (customer_id);
create index customer_by_phone on customer (regexp_replace(phone, '[^0-9]', '', 'g')) where phone <> '';
create index customer_by_email on customer (lower(email)) where email <> '';
create index customer_name_trigrams on customer using gin (lower(name) gin_trgm_ops);

-- What a use needs, as the shop sees it: editable, the first rows are ours.
create table need_of_use (
  position integer not null,
  use text primary key check (length(trim(use)) between 1 and 60),
  need_mib bigint not null check (need_mib > 0),
  reason text not null default '' check (length(reason) <= 200)
);
insert into need_of_use (position, use, need_mib, reason) values
  (1, 'office', 8192, 'letters, tables, mail'),
  (2, 'many browser tabs', 16384, 'each tab keeps a few hundred MB'),
  (3, 'photo', 16384, 'large pictures with layers'),
  (4, 'sound', 16384, 'samples held in memory'),
  (5, 'video', 32768, 'frames and effects held in memory'),
  (6, 'virtual machines', 32768, 'each machine holds its own share'),
  (7, 'server', 32768, 'services and their caches'),
  (8, 'games', 16384, 'what new games ask for');

-- What an operating system needs by itself, and the most it can see, where it has a limit.
create table need_of_os (
  position integer not null,
  os text primary key check (length(trim(os)) between 1 and 80),
  least_mib bigint not null check (least_mib > 0),
  visible_mib bigint check (visible_mib > 0)
);
insert into need_of_os (position, os, least_mib, visible_mib) values
  (1, '64-bit desktop system', 4096, null),
  (2, '32-bit desktop system', 1024, 3584),
  (3, 'server system', 2048, null);

-- The least the shop advises to anybody.
alter table shop add column floor_mib bigint not null default 8192 check (floor_mib > 0);
