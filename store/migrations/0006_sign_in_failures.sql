-- Failed sign-ins, so that guessing a password is slow from every process.

create table sign_in_failure (
  id bigint generated always as identity primary key,
  sign_in text not null check (length(sign_in) <= 80),
  at timestamptz not null default now()
);
create index sign_in_failure_recent on sign_in_failure (sign_in, at);
