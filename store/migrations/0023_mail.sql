-- Mail that goes out with quotes: each is handed over once, whatever fails on the way.

alter table shop
  -- whom mail comes from; empty: the shop sends none
  add column mail_from text not null default '' check (length(mail_from) <= 200),
  -- customers are reminded so many days before a quote's last; 0: never
  add column remind_days integer not null default 3 check (remind_days between 0 and 30);

create table mail (
  id integer generated always as identity primary key,
  job_id integer not null references job (id),
  quote_id integer not null references quote (id),
  kind text not null check (kind in ('quote', 'reminder')),
  to_address text not null check (length(to_address) between 3 and 200),
  -- what a receiver's programs know it by, the same however often it is tried (RFC 5322, 3.6.4)
  message_id text not null unique,
  -- where the customer's browser finds the shop
  base text not null,
  state text not null default 'waiting'
    check (state in ('waiting', 'sending', 'sent', 'refused', 'unsure', 'given-up')),
  tries integer not null default 0,
  next_at timestamptz not null default now(),
  taken_at timestamptz,
  -- what the last try came to
  sentence text,
  sent_at timestamptz,
  asked_by integer references staff (id),
  asked_at timestamptz not null default now(),
  check ((state = 'sent') = (sent_at is not null))
);
-- Never twice: one that waits, is under way, went, or may have gone.
create unique index mail_once on mail (quote_id, kind, lower(to_address))
  where state in ('waiting', 'sending', 'sent', 'unsure');
create index mail_due on mail (next_at) where state = 'waiting';
create index mail_of_job on mail (job_id, id);
