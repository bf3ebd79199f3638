-- Drafts, and sent quotes that never change.

create table quote (
  id integer generated always as identity primary key,
  job_id integer not null references job (id),
  version integer not null check (version > 0),
  state text not null default 'draft' check (state in ('draft', 'sent', 'replaced')),
  suggested integer check (suggested between 1 and 3),
  number text unique,
  -- the unguessable part of the customer's link
  token text unique check (length(token) >= 32),
  snapshot jsonb,
  sent_at timestamptz,
  sent_by integer references staff (id),
  valid_until date,
  unique (job_id, version),
  check (
    (state = 'draft') = (number is null)
    and (number is null) = (token is null)
    and (number is null) = (snapshot is null)
    and (number is null) = (sent_at is null)
    and (number is null) = (valid_until is null)
  )
);
create unique index quote_one_draft on quote (job_id) where state = 'draft';
create unique index quote_one_current on quote (job_id) where state = 'sent';

-- The plans chosen for a draft; figures are made from today's prices until it is sent.
create table quote_choice (
  quote_id integer not null references quote (id) on delete cascade,
  place integer not null check (place between 1 and 3),
  kept text[] not null,
  bought jsonb not null,
  primary key (quote_id, place)
);

-- Numbers without gaps: taken in the transaction that sends.
create table quote_number (
  year integer primary key check (year between 2000 and 9999),
  last integer not null check (last > 0)
);

-- A sent quote stays as it went out; only its being replaced is noted on it.
create function keep_sent_quote() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' then
    if old.state <> 'draft' then
      raise exception 'a sent quote is kept' using errcode = 'integrity_constraint_violation';
    end if;
    return old;
  end if;
  if old.state <> 'draft' and (
    row(new.id, new.job_id, new.version, new.suggested, new.number, new.token, new.sent_at, new.sent_by, new.valid_until)
      is distinct from
    row(old.id, old.job_id, old.version, old.suggested, old.number, old.token, old.sent_at, old.sent_by, old.valid_until)
    or new.snapshot is distinct from old.snapshot
    or not (new.state = old.state or (old.state = 'sent' and new.state = 'replaced'))
  ) then
    raise exception 'a sent quote does not change' using errcode = 'integrity_constraint_violation';
  end if;
  return new;
end $$;
create trigger quote_is_kept before update or delete on quote for each row execute function keep_sent_quote();
