-- In which language a person reads the screens; null: as their browser asks.
alter table staff add column language text check (language in ('en', 'de'));
