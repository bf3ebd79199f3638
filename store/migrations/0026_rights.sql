-- What roles may see and sell, where customers reach the shop, and drafts that an owner let go below the lowest margin.
alter table shop
  add column counter_sees_cost boolean not null default false,
  -- parts are not sold below cost and so much of it without an owner, hundredths of a percent
  add column lowest_margin_bp integer not null default 0 check (lowest_margin_bp between 0 and 10000),
  -- such as https://shop.example; empty: no owner has confirmed one
  add column customer_address text not null default '' check (length(customer_address) <= 200);

-- of each option its place and total, as the owner saw them
alter table quote add column released jsonb not null default '[]';
alter table quote add column released_by integer references staff (id);

-- Which server key a link was made with, the first bytes of its SHA-256: another process leaves such links alone.
alter table quote_link add column key_mark bytea check (length(key_mark) = 8);
