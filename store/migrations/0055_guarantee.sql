-- A job that replaces, free of charge, what another fitted: under that one's guarantee.
alter table job add column guarantee_of integer references job, add check (guarantee_of is distinct from id);
create index job_guarantee_of on job (guarantee_of) where guarantee_of is not null;

-- Modules that a signed proof saw in a machine and that were not in it before, by their serials: months later one is found by it.
create table fitted_module (
  id integer generated always as identity primary key,
  proof_id integer not null references proof on delete cascade,
  job_id integer not null references job on delete cascade,
  machine integer not null check (machine > 0),
  serial text not null check (length(serial) between 4 and 200)
);
create index fitted_module_serial on fitted_module (lower(serial));
create index fitted_module_of_proof on fitted_module (proof_id);
create index fitted_module_of_job on fitted_module (job_id);

-- What of a proof's report is new in the machine. Serials of nothing but zeros are none.
create function note_fitted_modules(of_proof integer) returns void language sql as $$
  insert into fitted_module (proof_id, job_id, machine, serial)
  select distinct proof.id, proof.job_id, proof.machine, slot #>> '{installed,serial}'
  from proof join reading on reading.id = proof.reading_id
    cross join lateral jsonb_array_elements(coalesce(result #> '{machine,memory,slots}', '[]')) as slot
  where proof.id = of_proof and length(slot #>> '{installed,serial}') between 4 and 200 and slot #>> '{installed,serial}' !~ '^[0 ]*$'
    and not exists (select from job_slot where job_slot.job_id = proof.job_id
      and lower(job_slot.module ->> 'serial') = lower(slot #>> '{installed,serial}'))
$$;
select note_fitted_modules(id) from proof where signed_at is not null and verdict <> 'broken';
