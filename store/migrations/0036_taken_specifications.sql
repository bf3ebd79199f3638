-- What a person took of a specification that was read into a job: whose it is, the claims with the words that they came
-- from, and what the machine was sold with. Null: nobody decided yet, and nothing of it counts.
alter table reading
  add column taken jsonb,
  add column taken_by integer references staff (id),
  add column taken_at timestamptz,
  add constraint reading_taken_check check (taken is null or format = 'specification'),
  add constraint reading_taken_when_check check ((taken is null) = (taken_at is null));

-- Slots and modules of an unknown machine may be those that a specification describes.
alter table job_slot
  drop constraint job_slot_place_source_check,
  drop constraint job_slot_module_source_check,
  add constraint job_slot_place_source_check
    check (place_source in ('reading', 'model', 'typed', 'inferred', 'earlier', 'specification')),
  add constraint job_slot_module_source_check
    check (module_source in ('reading', 'model', 'typed', 'inferred', 'earlier', 'specification'));
