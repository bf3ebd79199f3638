-- The shop, its people and their sessions.

create table shop (
  only_one boolean primary key default true check (only_one),
  name text not null check (length(trim(name)) between 1 and 120),
  town text not null check (length(trim(town)) between 1 and 120),
  contact text not null default '' check (length(contact) <= 200),
  currency text not null check (currency ~ '^[A-Z]{3}$'),
  time_zone text not null default 'UTC',
  -- hundredths of a percent, contained in every price a customer sees
  tax_bp integer not null check (tax_bp between 0 and 10000),
  labour_cents integer not null check (labour_cents between 0 and 10000000),
  validity_days integer not null check (validity_days between 1 and 365),
  mark_up_bp integer not null check (mark_up_bp between 0 and 100000),
  least_margin_cents integer not null check (least_margin_cents >= 0),
  round_up_to_cents integer not null check (round_up_to_cents between 1 and 10000),
  -- true while what is loaded is the demo shop
  demo boolean not null default false
);

create table staff (
  id integer generated always as identity primary key,
  sign_in text not null unique check (sign_in ~ '^[a-z0-9][a-z0-9._-]{1,39}$'),
  name text not null check (length(trim(name)) between 1 and 80),
  role text not null check (role in ('owner', 'technician', 'counter')),
  password_hash text not null,
  -- shown on the sign-in page of the demo shop; never set for a real account
  demo_password text,
  created_at timestamptz not null default now(),
  left_at timestamptz
);

create table session (
  -- SHA-256 of the cookie's token: a copy of this table opens nothing
  token_hash bytea primary key check (length(token_hash) = 32),
  staff_id integer not null references staff (id) on delete cascade,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null check (expires_at > created_at)
);
create index session_expires on session (expires_at);
