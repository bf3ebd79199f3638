-- How a seller's feed does: when it was asked, what it said, when it is asked again.

create table seller_feed (
  seller_id integer primary key references seller (id) on delete cascade,
  url text not null check (length(url) between 8 and 500),
  every_minutes integer not null default 60 check (every_minutes between 1 and 10080),
  -- what the feed calls its present state (RFC 9110 8.8.3)
  etag text check (length(etag) <= 200),
  asked_at timestamptz,
  -- when its prices were last known to hold
  good_at timestamptz,
  -- how often it failed since
  failures integer not null default 0 check (failures >= 0),
  sentence text,
  next_at timestamptz not null default now()
);
create index seller_feed_due on seller_feed (next_at);
insert into seller_feed (seller_id, url) select id, feed_url from seller where feed_url is not null;
alter table seller drop column feed_url;
