-- Offers that somebody wants to put together by hand for a job: its plans are counted with them, though others are cheaper.
alter table job add column asked_offers integer[] not null default '{}' check (cardinality(asked_offers) <= 20);
