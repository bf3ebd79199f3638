-- What the machine's maker asks for a total, as it was typed for one job: no model need know it.
alter table job
  add column maker_total_mib integer check (maker_total_mib > 0),
  add column maker_cents integer check (maker_cents > 0);
