-- How jobs begin and end: nothing is on the list before something is in it, and nothing leaves it without a word.

alter table job
  -- when something was put into it; null: it was opened and nothing else
  add column begun_at timestamptz,
  add column closed_as text check (closed_as in ('done', 'declined', 'not-possible', 'dropped')),
  add column closed_why text not null default '' check (length(closed_why) <= 500),
  add check (closed_as is null or closed_at is not null);
update job set begun_at = created_at;

drop index job_open;
create index job_open on job (touched_at desc, id desc) where closed_at is null and begun_at is not null;
create index job_closed on job (closed_at desc, id desc) where closed_at is not null;
create index job_unbegun on job (created_at) where begun_at is null;
