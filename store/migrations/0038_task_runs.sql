-- How the work beside requests went of late, kind by kind: the queue itself forgets what succeeded.
create table task_run (
  kind text primary key check (length(kind) between 1 and 60),
  succeeded_at timestamptz,
  failed_at timestamptz
);
