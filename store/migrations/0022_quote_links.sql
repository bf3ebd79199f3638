-- Links that open a customer's quote: kept so that a copy of the database opens none of them, and can be withdrawn.

create table quote_link (
  id integer generated always as identity primary key,
  quote_id integer not null references quote (id),
  -- SHA-256 of the link's unguessable part
  token_hash bytea not null unique check (length(token_hash) = 32),
  -- what that part is made from, together with the server's own key; null: it was made otherwise and can be shown no more
  nonce bytea check (length(nonce) = 16),
  made_at timestamptz not null default now(),
  made_by integer references staff (id),
  withdrawn_at timestamptz,
  withdrawn_by integer references staff (id),
  check (withdrawn_by is null or withdrawn_at is not null)
);
create index quote_link_of on quote_link (quote_id, id);

insert into quote_link (quote_id, token_hash, made_at, made_by)
  select id, sha256(convert_to(token, 'UTF8')), sent_at, sent_by from quote where token is not null;

-- The check that goes with the column said this as well.
alter table quote drop column token;
alter table quote add check (
  (state = 'draft') = (number is null)
  and (number is null) = (snapshot is null)
  and (number is null) = (sent_at is null)
  and (number is null) = (valid_until is null)
);

create or replace function keep_sent_quote() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' then
    if old.state <> 'draft' then
      raise exception 'a sent quote is kept' using errcode = 'integrity_constraint_violation';
    end if;
    return old;
  end if;
  if old.state <> 'draft' and (
    row(new.id, new.job_id, new.version, new.suggested, new.number, new.sent_at, new.sent_by, new.valid_until)
      is distinct from
    row(old.id, old.job_id, old.version, old.suggested, old.number, old.sent_at, old.sent_by, old.valid_until)
    or new.snapshot is distinct from old.snapshot
    or new.terms is distinct from old.terms
    or not (new.state = old.state or (old.state = 'sent' and new.state = 'replaced'))
  ) then
    raise exception 'a sent quote does not change' using errcode = 'integrity_constraint_violation';
  end if;
  return new;
end $$;
