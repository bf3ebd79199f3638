-- A shop of one's own: who it is as papers must say, the code that opens it, and its first hour.

alter table shop
  add column street text not null default '' check (length(street) <= 120),
  add column postal_code text not null default '' check (length(postal_code) <= 20),
  -- ISO 3166-1 alpha-2
  add column country text not null default '' check (country ~ '^([A-Z]{2})?$'),
  add column phone text not null default '' check (length(phone) <= 40),
  add column mail text not null default '' check (length(mail) <= 120),
  add column web text not null default '' check (length(web) <= 120),
  add column tax_number text not null default '' check (length(tax_number) <= 40),
  add column company_number text not null default '' check (length(company_number) <= 40),
  add column bank text not null default '' check (length(bank) <= 160),
  -- {dismissed, skipped}: the checklist of the first hour; null: this shop has none
  add column first_hour jsonb check (first_hour is null or jsonb_typeof(first_hour) = 'object');

-- The line on papers is made of the parts above once they are typed.
alter table shop drop constraint shop_contact_check;
alter table shop add constraint shop_contact_check check (length(contact) <= 600);

-- Codes that open this database as a shop, as a start printed them; gone once it is open.
create table opening_code (
  -- SHA-256 of the code without what parts it
  code_hash bytea primary key check (length(code_hash) = 32),
  made_at timestamptz not null default now()
);
