-- Modules from stock that are tried in a customer's machine before anything is promised: one alone, then all of them.
create table bench_test (
  id integer generated always as identity primary key,
  job_id integer not null references job on delete cascade,
  offer_id integer not null references offer on delete cascade,
  modules integer not null check (modules between 1 and 64),
  -- where they go, the first first
  slots text[] not null,
  -- what the machine should show beside them, soldered, MiB
  soldered_mib integer not null check (soldered_mib >= 0),
  module_mib integer not null check (module_mib > 0),
  held_until date not null,
  began_at timestamptz not null default now(),
  began_by integer references staff on delete set null,
  ended text check (ended in ('done', 'given-up')),
  ended_at timestamptz,
  ended_by integer references staff on delete set null,
  check ((ended is null) = (ended_at is null))
);
create index bench_test_of_job on bench_test (job_id);
create index bench_test_of_offer on bench_test (offer_id);
create unique index bench_test_open on bench_test (job_id) where ended is null;

create table bench_run (
  id integer generated always as identity primary key,
  test_id integer not null references bench_test on delete cascade,
  -- of the test's modules so many were in the machine, and no others
  modules integer not null check (modules > 0),
  starts boolean not null,
  -- what the machine says that it has; null: nobody looked
  seen_mib integer check (seen_mib > 0),
  signs text not null default '' check (length(signs) <= 300),
  loaded_minutes integer check (loaded_minutes between 1 and 10000),
  -- what it became in the library
  trial_id integer references trial on delete set null,
  noted_at timestamptz not null default now(),
  noted_by integer references staff on delete set null
);
create index bench_run_of_test on bench_run (test_id);
create index bench_run_of_trial on bench_run (trial_id);
-- The pieces that lie in the machine; stock counts them as promised.
alter table shelf_piece add column test_id integer references bench_test on delete set null;
create index shelf_piece_of_test on shelf_piece (test_id) where test_id is not null;
