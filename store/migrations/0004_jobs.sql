-- A customer's machine on its way through the shop.

create table customer (
  id integer generated always as identity primary key,
  name text not null default '' check (length(name) <= 120),
  phone text not null default '' check (length(phone) <= 60),
  email text not null default '' check (length(email) <= 200),
  created_at timestamptz not null default now()
);

create table job (
  id integer generated always as identity primary key,
  customer_id integer not null references customer (id),
  model_id integer references model (id) on delete set null,
  machine_maker text not null default '' check (length(machine_maker) <= 120),
  machine_name text not null default '' check (length(machine_name) <= 160),
  serial text not null default '' check (length(serial) <= 120),
  complaint text not null default '' check (length(complaint) <= 2000),
  need_mib bigint check (need_mib > 0),
  budget_cents integer check (budget_cents > 0),
  station text not null default 'intake'
    check (station in ('intake', 'limits', 'options', 'quote', 'fitting', 'proof')),
  -- counts the changes of the slots, so that two people cannot overwrite each other unseen
  slots_version integer not null default 0,
  limits_agreed_at timestamptz,
  closed_at timestamptz,
  created_at timestamptz not null default now(),
  touched_at timestamptz not null default now()
);
create index job_open on job (touched_at desc) where closed_at is null;

create table job_slot (
  job_id integer not null references job (id) on delete cascade,
  position integer not null check (position between 1 and 64),
  name text not null check (length(trim(name)) between 1 and 60),
  channel text not null check (length(trim(channel)) between 1 and 20),
  bank integer not null check (bank between 0 and 99),
  max_mib bigint check (max_mib > 0),
  soldered boolean not null,
  keep text not null check (keep in ('may', 'must', 'never')),
  credit_cents integer not null check (credit_cents >= 0),
  module jsonb check (module is null or module ->> 'capacityMiB' is null or (module ->> 'capacityMiB')::bigint > 0),
  place_source text not null check (place_source in ('reading', 'model', 'typed', 'inferred')),
  module_source text not null check (module_source in ('reading', 'model', 'typed', 'inferred')),
  primary key (job_id, position),
  unique (job_id, name),
  check (not soldered or module is not null)
);

create table reading (
  id integer generated always as identity primary key,
  job_id integer not null references job (id) on delete cascade,
  purpose text not null check (purpose in ('intake', 'proof')),
  -- the option of the sent quote that a proof is held against
  option_place integer check (option_place between 1 and 3),
  source_name text not null check (length(trim(source_name)) between 1 and 200),
  format text not null,
  input text not null,
  result jsonb not null,
  read_by integer references staff (id),
  read_at timestamptz not null default now(),
  check ((purpose = 'proof') = (option_place is not null))
);
create index reading_of_job on reading (job_id, read_at desc);

-- What a person decided about one limit of this job.
create table job_limit (
  job_id integer not null references job (id) on delete cascade,
  limit_name text not null check (length(limit_name) between 1 and 40),
  value jsonb not null check (value <> 'null'::jsonb),
  decided_by integer not null references staff (id),
  decided_at timestamptz not null default now(),
  primary key (job_id, limit_name)
);

create table event (
  id bigint generated always as identity primary key,
  job_id integer references job (id) on delete cascade,
  staff_id integer references staff (id),
  kind text not null check (length(kind) between 1 and 60),
  detail jsonb not null default '{}',
  at timestamptz not null default now()
);
create index event_of_job on event (job_id, at desc);
