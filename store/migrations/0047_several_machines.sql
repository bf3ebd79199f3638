-- Several equal machines of one job. Those that differ in what is in them are groups of their own, each kept as a job
-- under the first, which alone has the quote, the orders and the customer's answer.
alter table job
  add column machines integer not null default 1 check (machines between 1 and 64),
  -- of the second machine and on, in their order; empty: not known
  add column more_serials text[] not null default '{}' check (cardinality(more_serials) < 64),
  add column lead_id integer references job (id) on delete cascade check (lead_id < id);
create index job_of_lead on job (lead_id) where lead_id is not null;

-- Which of a group's machines it is about.
alter table reading add column machine integer not null default 1 check (machine between 1 and 64);
alter table fitting add column machine integer not null default 1 check (machine between 1 and 64);
alter table fitting drop constraint fitting_job_id_round_key;
alter table fitting add constraint fitting_round unique (job_id, machine, round);
alter table proof add column machine integer not null default 1 check (machine between 1 and 64);
alter table old_module add column machine integer not null default 1 check (machine between 1 and 64);
drop index old_module_once;
create unique index old_module_once on old_module (job_id, machine, slot) where taken_back_at is null;

-- So many machines the accepted option of a quote is for.
create function machines_promised(quote_id integer) returns integer language sql stable as $$
  select coalesce(max(coalesce((option ->> 'machines')::integer, 1)), 1)
  from quote join quote_answer on quote_answer.quote_id = quote.id and kind = 'accepted'
    cross join lateral jsonb_array_elements(snapshot -> 'options') as option
  where quote.id = machines_promised.quote_id and (option ->> 'place')::integer = quote_answer.place
$$;

-- Each of them was proved: its last word is signed and not broken.
create function all_proved(quote_id integer) returns boolean language sql stable as $$
  select count(distinct (job_id, machine)) >= machines_promised(all_proved.quote_id)
  from proof where proof.quote_id = all_proved.quote_id and signed_at is not null and verdict <> 'broken'
$$;
