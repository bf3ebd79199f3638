-- What a customer says to a quote by its link: yes to one option, no, or a question. What was said stays as it was said.

alter table quote add column opened_at timestamptz;
comment on column quote.opened_at is 'when its page was first opened by its link';

create table quote_answer (
  id integer generated always as identity primary key,
  quote_id integer not null references quote (id),
  kind text not null check (kind in ('accepted', 'declined', 'question')),
  -- the option that was accepted, and the name that was typed as a signature
  place integer check (place between 1 and 3),
  signed text check (length(signed) between 1 and 120),
  -- statements that had to be ticked, as they read
  ticked text[] not null default '{}',
  -- why not, or what is asked
  words text not null default '' check (length(words) <= 2000),
  answered_at timestamptz not null default now(),
  check ((kind = 'accepted') = (place is not null) and (kind = 'accepted') = (signed is not null)),
  check (kind <> 'question' or words <> '')
);
create index quote_answer_of on quote_answer (quote_id, id);
-- Accepted once, whoever presses twice or in two windows.
create unique index quote_accepted_once on quote_answer (quote_id) where kind = 'accepted';

create function keep_answer() returns trigger language plpgsql as $$
begin
  raise exception 'what a customer said stays' using errcode = 'integrity_constraint_violation';
end $$;
create trigger answer_is_kept before update or delete on quote_answer for each row execute function keep_answer();
