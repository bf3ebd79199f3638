-- What is ordered for accepted options, the work on the bench, and the promise held against the machine.

-- A yes that the shop took down: at the counter or on the telephone.
alter table quote_answer add column taken_by integer references staff (id);

-- A piece of the shelf is set aside for good once its option is accepted; until then a sent quote only holds it to its day.
alter table shelf_piece add column set_aside_at timestamptz;
alter table shelf_piece add check (set_aside_at is null or job_id is not null);

create or replace function free_pieces(of_offer integer) returns integer stable language sql as $$
  select count(*)::integer from shelf_piece
  where offer_id = of_offer and gone_at is null and set_aside_at is null
    and (held_until is null or held_until < (select (now() at time zone time_zone)::date from shop))
$$;

-- The job came to nothing: nothing is ordered for it any more, and what was set aside is free.
alter table job add column fell_through_at timestamptz, add column fell_through_why text not null default ''
  check (length(fell_through_why) <= 500);

alter table seller
  -- the least it takes an order for, minor units of its own currency; null: any
  add column least_order_cents integer check (least_order_cents > 0),
  -- where orders are mailed to; empty: it takes none by mail
  add column order_mail text not null default '' check (length(order_mail) <= 200);

create table order_number (
  year integer primary key check (year between 2000 and 9999),
  last integer not null check (last > 0)
);

create table part_order (
  id integer generated always as identity primary key,
  seller_id integer not null references seller (id),
  number text not null unique,
  note text not null default '' check (length(note) <= 500),
  ordered_at timestamptz not null default now(),
  ordered_by integer references staff (id),
  -- taken back before anything of it came
  cancelled_at timestamptz,
  cancelled_by integer references staff (id)
);
create index part_order_open on part_order (seller_id) where cancelled_at is null;

create table part_order_line (
  id integer generated always as identity primary key,
  order_id integer not null references part_order (id),
  job_id integer not null references job (id),
  offer_id integer not null references offer (id),
  title text not null,
  seller_part text,
  quantity integer not null check (quantity between 1 and 64),
  -- what the shop pays for one pack, minor units
  each_cents integer not null check (each_cents >= 0),
  -- modules in a pack
  modules integer not null check (modules between 1 and 64)
);
create index part_order_line_of on part_order_line (order_id);
create index part_order_line_of_job on part_order_line (job_id);

-- What became of ordered packs, one note after another; what was noted by mistake is taken back, not removed.
create table part_news (
  id integer generated always as identity primary key,
  line_id integer not null references part_order_line (id),
  kind text not null check (kind in ('arrived', 'wrong', 'dead', 'never')),
  quantity integer not null check (quantity between 1 and 64),
  note text not null default '' check (length(note) <= 500),
  noted_by integer references staff (id),
  noted_at timestamptz not null default now(),
  taken_back_at timestamptz
);
create index part_news_of on part_news (line_id);

-- Mail about an order goes the same way as mail about a quote.
alter table mail
  alter column job_id drop not null,
  alter column quote_id drop not null,
  add column order_id integer references part_order (id),
  drop constraint mail_kind_check,
  add constraint mail_kind_check check (kind in ('quote', 'reminder', 'order')),
  add check ((kind = 'order') = (order_id is not null) and (kind = 'order') = (quote_id is null));
create unique index mail_order_once on mail (order_id, lower(to_address))
  where kind = 'order' and state in ('waiting', 'sending', 'sent', 'unsure');

-- One time on the bench for an accepted option: its checklist as it was when it began.
create table fitting (
  id integer generated always as identity primary key,
  job_id integer not null references job (id),
  quote_id integer not null references quote (id),
  place integer not null check (place between 1 and 3),
  round integer not null check (round between 1 and 50),
  model_id integer references model (id) on delete set null,
  steps jsonb not null check (jsonb_typeof(steps) = 'array'),
  began_at timestamptz not null default now(),
  began_by integer references staff (id),
  unique (job_id, round)
);
create index fitting_of_model on fitting (model_id);

-- A step that was done, or left out with its reason. What was undone stays, with who did it and when.
create table fitting_tick (
  id integer generated always as identity primary key,
  fitting_id integer not null references fitting (id),
  step text not null check (length(step) between 1 and 80),
  state text not null check (state in ('done', 'skipped')),
  reason text not null default '' check (length(reason) <= 300),
  ticked_by integer references staff (id),
  ticked_at timestamptz not null default now(),
  undone_by integer references staff (id),
  undone_at timestamptz,
  check (state = 'done' or reason <> '')
);
create unique index fitting_tick_once on fitting_tick (fitting_id, step) where undone_at is null;

-- What was found to be otherwise than thought, on its step.
create table fitting_find (
  id integer generated always as identity primary key,
  fitting_id integer not null references fitting (id),
  step text not null check (length(step) between 1 and 80),
  kind text not null check (kind in ('other-module', 'other-slots', 'damage', 'other')),
  note text not null check (length(trim(note)) between 1 and 500),
  found_by integer references staff (id),
  found_at timestamptz not null default now(),
  taken_back_at timestamptz
);
create index fitting_find_of on fitting_find (fitting_id);

-- What a maker's machines beep, as the shop knows it, and the sign that it means.
create table beep_code (
  id integer generated always as identity primary key,
  maker text not null check (length(trim(maker)) between 1 and 80),
  pattern text not null check (length(trim(pattern)) between 1 and 80),
  means text not null check (length(trim(means)) between 1 and 200),
  noted_by integer references staff (id)
);
create unique index beep_code_once on beep_code (lower(maker), lower(pattern));

-- A search for why it does not start, and each test of it with what came of it.
create table fault_search (
  id integer generated always as identity primary key,
  job_id integer not null references job (id),
  fitting_id integer references fitting (id),
  sign text not null check (length(sign) between 1 and 40),
  beeps text not null default '' check (length(beeps) <= 80),
  began_at timestamptz not null default now(),
  began_by integer references staff (id),
  -- how it ended, and the module or socket that it was about
  ended text check (length(ended) between 1 and 40),
  about text not null default '' check (length(about) <= 120),
  ended_at timestamptz,
  ended_by integer references staff (id),
  check ((ended is null) = (ended_at is null))
);
create index fault_search_of on fault_search (job_id, id);
create unique index fault_search_one_open on fault_search (job_id) where ended is null;

create table fault_test (
  id integer generated always as identity primary key,
  search_id integer not null references fault_search (id),
  test text not null check (length(test) between 1 and 40),
  outcome text not null check (length(outcome) between 1 and 40),
  noted_by integer references staff (id),
  noted_at timestamptz not null default now(),
  taken_back_at timestamptz
);
create index fault_test_of on fault_test (search_id, id);

-- A promise held against what the machine said, or what somebody read off its screen. Signed once; what was signed stays.
create table proof (
  id integer generated always as identity primary key,
  job_id integer not null references job (id),
  quote_id integer not null references quote (id),
  place integer not null check (place between 1 and 3),
  fitting_id integer references fitting (id),
  reading_id integer references reading (id),
  -- what was typed, where there is no report
  typed jsonb,
  findings jsonb not null check (jsonb_typeof(findings) = 'array'),
  verdict text not null check (verdict in ('kept', 'remark', 'broken')),
  taken_by integer references staff (id),
  taken_at timestamptz not null default now(),
  remark text not null default '' check (length(remark) <= 500),
  depth text check (depth in ('started', 'total-read', 'loaded')),
  loaded_minutes integer check (loaded_minutes between 1 and 10000),
  signed_by integer references staff (id),
  signed_at timestamptz,
  trial_id integer references trial (id) on delete set null,
  check ((reading_id is null) <> (typed is null)),
  check ((signed_at is null) = (depth is null)),
  check (verdict <> 'remark' or signed_at is null or remark <> '')
);
create index proof_of on proof (job_id, id);
create index proof_of_quote on proof (quote_id);

create function keep_signed_proof() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' then
    if old.signed_at is not null then
      raise exception 'a signed proof is kept' using errcode = 'integrity_constraint_violation';
    end if;
    return old;
  end if;
  if old.signed_at is not null and (to_jsonb(new) - 'trial_id') is distinct from (to_jsonb(old) - 'trial_id') then
    raise exception 'a signed proof does not change' using errcode = 'integrity_constraint_violation';
  end if;
  return new;
end $$;
create trigger proof_is_kept before update or delete on proof for each row execute function keep_signed_proof();

-- Weeks later: does it still run?
create table follow_up (
  id integer generated always as identity primary key,
  proof_id integer not null references proof (id),
  works boolean not null,
  note text not null default '' check (length(note) <= 500),
  noted_by integer references staff (id),
  noted_on date not null,
  trial_id integer references trial (id) on delete set null
);
create index follow_up_of on follow_up (proof_id, id);

-- What became of the modules that came out.
create table old_module (
  id integer generated always as identity primary key,
  job_id integer not null references job (id),
  slot text not null check (length(trim(slot)) between 1 and 60),
  what text not null check (length(trim(what)) between 1 and 200),
  fate text not null check (fate in ('returned', 'shelf', 'scrapped')),
  piece_id integer references shelf_piece (id),
  noted_by integer references staff (id),
  noted_at timestamptz not null default now(),
  taken_back_at timestamptz,
  check ((fate = 'shelf') = (piece_id is not null))
);
create unique index old_module_once on old_module (job_id, slot) where taken_back_at is null;
