-- What a former program kept, moved in file by file, each of which can be undone as one.

create table moved_in (
  id integer generated always as identity primary key,
  kind text not null check (kind in ('customers', 'stock', 'models')),
  name text not null check (length(name) between 1 and 200),
  /** rows that became something */
  taken integer not null check (taken >= 0),
  at timestamptz not null default now(),
  by integer not null references staff (id),
  undone_at timestamptz
);

alter table job add column moved_in_id integer references moved_in (id);
alter table customer add column moved_in_id integer references moved_in (id);
alter table offer add column moved_in_id integer references moved_in (id);
alter table model add column moved_in_id integer references moved_in (id);
create index job_moved_in on job (moved_in_id) where moved_in_id is not null;
create index customer_moved_in on customer (moved_in_id) where moved_in_id is not null;
create index offer_moved_in on offer (moved_in_id) where moved_in_id is not null;
create index model_moved_in on model (moved_in_id) where moved_in_id is not null;
