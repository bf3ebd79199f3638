-- How often something was tried lately, counted in the statement that lets it happen or not (rate-limiter-flexible's table).
create table rate_limit (
  key varchar(255) primary key,
  points integer not null default 0,
  -- milliseconds since 1970
  expire bigint
);
create index rate_limit_over on rate_limit (expire);

drop table sign_in_failure;

-- Browsers from which somebody signed in before: whoever guesses elsewhere does not lock them out.
create table known_browser (
  -- SHA-256 of the browser's cookie
  browser_hash bytea not null check (length(browser_hash) = 32),
  staff_id integer not null references staff (id) on delete cascade,
  seen_at timestamptz not null default now(),
  primary key (browser_hash, staff_id)
);
create index known_browser_of on known_browser (staff_id, seen_at);
