-- The PDF of a sent quote, made once: what was sent never changes, and neither does its paper.
create table quote_paper (
  quote_id integer primary key references quote (id),
  pdf bytea not null check (length(pdf) between 1 and 5000000),
  made_at timestamptz not null default now()
);
create function keep_paper() returns trigger language plpgsql as $$
begin
  raise exception 'the paper of a sent quote is kept' using errcode = 'integrity_constraint_violation';
end $$;
create trigger paper_is_kept before update or delete on quote_paper for each row execute function keep_paper();
