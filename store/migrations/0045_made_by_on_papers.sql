-- What a customer reads of a part beside its maker.
alter table shop
  add column paper_part boolean not null default true,
  add column paper_seller boolean not null default false;
