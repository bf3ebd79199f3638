-- A seller's page or a title with a price, dropped on a job, is an offer of that job and of no other.

alter table offer
  add column job_id integer references job (id),
  -- what it was read from
  add column reading_id bigint unique references reading (id),
  add check ((job_id is null) = (reading_id is null)),
  -- our own shelf holds used pieces only; a seller may sell used ones too
  drop constraint offer_check,
  add constraint offer_of_somebody check (seller_id is not null or origin = 'used');
create index offer_of_job on offer (job_id) where job_id is not null;

drop index offer_of_lot;
create index offer_of_lot on offer (spec_id, modules, origin, cost_cents, id) include (stock, seller_id)
  where withdrawn_at is null and cost_cents is not null and not for_models and job_id is null and stock is distinct from 0;
