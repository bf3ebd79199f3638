-- Models that are made by hand: what is usual of a board is said as such.

alter table claim
  drop constraint claim_source_kind_check,
  add constraint claim_source_kind_check check (source_kind in
    ('technician', 'evidence', 'lid-label', 'board-manual', 'cpu-page', 'maker-page', 'tested-list', 'standard'));
