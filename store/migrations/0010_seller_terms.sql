-- What a seller's numbers mean, what a price was made of, and how the shop makes its own.

alter table seller
  -- currency, tax and shipping; null: its numbers are what the shop pays, in its currency, without tax
  add column terms jsonb,
  add column trust text not null default 'own-stock' check (trust in ('own-stock', 'marketplace')),
  add column returns text not null default '' check (length(returns) <= 200),
  add column order_contact text not null default '' check (length(order_contact) <= 200);

-- Rates between currencies are dated, and never change once they are noted.
create table exchange_rate (
  from_currency text not null check (from_currency ~ '^[A-Z]{3}$'),
  to_currency text not null check (to_currency ~ '^[A-Z]{3}$'),
  -- millionths of the second for one of the first
  micro bigint not null check (micro > 0),
  on_day date not null,
  entered_by integer references staff (id),
  primary key (from_currency, to_currency, on_day),
  check (from_currency <> to_currency)
);
create trigger exchange_rate_is_history before update on exchange_rate for each row execute function refuse_change();

-- A price keeps what the seller printed and the steps from there to what the shop pays.
alter table offer_price
  add column printed_cents integer check (printed_cents > 0),
  add column coupon jsonb,
  add column units integer check (units between 1 and 100),
  add column steps jsonb,
  add check ((printed_cents is null) = (units is null));

alter table shop
  -- mark-ups from a cost on: [{fromCents, markUpBp}]
  add column mark_up_steps jsonb not null default '[]' check (jsonb_typeof(mark_up_steps) = 'array'),
  -- last two figures that a price may have; empty: any multiple
  add column price_endings integer[] not null default '{}'
    check (array_length(price_endings, 1) is null or (0 <= all (price_endings) and 99 >= all (price_endings))),
  -- the day on which every printed price was last counted: coupons end and rates begin with a day
  add column counted_on date;
