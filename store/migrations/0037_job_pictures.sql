-- Photographs of a job: made anew and small, so that nothing of where they were taken is kept, with the words and codes that
-- were read off them. Settled: a person has looked at the words; null: not yet.
create table job_picture (
  id integer generated always as identity primary key,
  job_id integer not null references job (id) on delete cascade,
  station text not null check (station in ('intake', 'fitting', 'proof')),
  name text not null check (length(name) between 1 and 200),
  caption text not null default '' check (length(caption) <= 120),
  bytes bytea not null check (length(bytes) between 1 and 2097152),
  width integer not null check (width between 1 and 4096),
  height integer not null check (height between 1 and 4096),
  words jsonb not null,
  settled text check (settled in ('read', 'left')),
  in_fitting boolean not null default false,
  taken_by integer references staff (id),
  at timestamptz not null default now()
);
create index job_picture_of_job on job_picture (job_id, id);
