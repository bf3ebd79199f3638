-- An option off the books may be agreed on condition: if it does not work, the old modules go back in and so much is paid.
-- As the shop's prices are, minor units; null: nothing of the kind is agreed.
alter table quote_choice add column if_not_cents integer check (if_not_cents between 1 and 100000000);

-- The accepted option of that quote did not work: its own settlement takes the place of what it costs.
alter table job
  add column not_working_quote_id integer references quote,
  add column not_working_on date,
  add column not_working_by integer references staff on delete set null,
  add column not_working_note text not null default '' check (length(not_working_note) <= 500),
  add column not_working_trial_id integer references trial on delete set null,
  add check ((not_working_quote_id is null) = (not_working_on is null));
create index job_not_working_quote on job (not_working_quote_id) where not_working_quote_id is not null;
create index job_not_working_trial on job (not_working_trial_id) where not_working_trial_id is not null;
create index job_not_working_by on job (not_working_by) where not_working_by is not null;

-- Each machine was proved, or it is settled that it does not work.
create or replace function all_proved(quote_id integer) returns boolean language sql stable as $$
  select count(distinct (job_id, machine)) >= machines_promised(all_proved.quote_id)
      or exists (select from job where job.not_working_quote_id = all_proved.quote_id)
  from proof where proof.quote_id = all_proved.quote_id and signed_at is not null and verdict <> 'broken'
$$;
