-- A part that the customer brings: an offer of one job that costs nothing; what is paid is its fitting.
alter table offer add column own_part boolean not null default false,
  add check (not own_part or (job_id is not null and seller_id is null));
-- What is an offer of a job was read there, or is brought by its customer.
alter table offer drop constraint offer_check,
  add constraint offer_check check ((job_id is null) = (reading_id is null and not own_part));
