-- How the ladder of a job was steered last, beside its need and its budget.
alter table job
  add free_slots integer not null default 0 check (free_slots between 0 and 64),
  add least_rate_mts integer check (least_rate_mts between 1 and 100000),
  add lanes_out text[] not null default '{}'
    check (lanes_out <@ array['mixed', 'none', 'original', 'third-party', 'used'] and cardinality(lanes_out) < 5),
  add sellers_out text[] not null default '{}' check (cardinality(sellers_out) <= 200);

-- Plans within so much of the least price of their rung count as equally cheap; hundredths of a percent.
alter table shop
  add best_tolerance_bp integer not null default 500 check (best_tolerance_bp between 0 and 10000);
