-- Photographs of a model: its label, where the door is, which screw is the long one.

create table model_photo (
  id integer generated always as identity primary key,
  model_id integer not null references model (id) on delete cascade,
  caption text not null check (length(trim(caption)) between 1 and 120),
  kind text not null check (kind in ('image/png', 'image/jpeg')),
  bytes bytea not null check (length(bytes) between 1 and 2097152),
  entered_by integer references staff (id),
  at timestamptz not null default now()
);
create index model_photo_of_model on model_photo (model_id, id);
