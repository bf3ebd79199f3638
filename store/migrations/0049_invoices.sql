-- Where customers live, for papers that have to say so. Empty: nobody said.
alter table customer
  add column street text not null default '' check (length(street) <= 200),
  add column postal_code text not null default '' check (length(postal_code) <= 20),
  add column town text not null default '' check (length(town) <= 120),
  -- ISO 3166-1, two letters
  add column country text not null default '' check (country ~ '^([A-Z]{2})?$'),
  add column tax_number text not null default '' check (length(tax_number) <= 60);

-- Invoices are due so many days after their day.
alter table shop add column invoice_days integer not null default 14 check (invoice_days between 0 and 365);

create table invoice_number (
  year integer primary key,
  last integer not null check (last > 0)
);

-- An accepted quote as an invoice, frozen on the day it is issued. A wrong one is cancelled, and stays.
create table invoice (
  id integer generated always as identity primary key,
  job_id integer not null references job (id),
  quote_id integer not null references quote (id),
  number text not null unique,
  snapshot jsonb not null,
  issued_at timestamptz not null default now(),
  issued_by integer references staff (id),
  cancelled_at timestamptz,
  cancelled_by integer references staff (id),
  cancelled_why text not null default '' check (length(cancelled_why) <= 300),
  check ((cancelled_at is null) = (cancelled_why = ''))
);
create unique index invoice_one on invoice (quote_id) where cancelled_at is null;
create index invoice_of_job on invoice (job_id, id);

-- What a customer paid for a job: a deposit, or the rest. What was noted by mistake stays, taken back.
create table payment (
  id integer generated always as identity primary key,
  job_id integer not null references job (id),
  cents integer not null check (cents between 1 and 1000000000),
  paid_on date not null,
  way text not null check (way in ('cash', 'card', 'transfer', 'other')),
  note text not null default '' check (length(note) <= 200),
  noted_by integer references staff (id),
  noted_at timestamptz not null default now(),
  taken_back_at timestamptz
);
create index payment_of_job on payment (job_id, id);
