-- What buyers say of an offer itself, and where its page is.
alter table offer
  add column rating smallint check (rating between 100 and 500),
  add column rating_count integer check (rating_count > 0),
  add column page text check (length(page) <= 500 and page ~* '^https?://'),
  add constraint offer_rating_is_whole check ((rating is null) = (rating_count is null));
-- A page that was read noted its address in words until now.
update offer set page = note, note = '' where reading_id is not null and note ~* '^https?://' and length(note) <= 500;

-- What narrows the offers of a job down beside their sellers.
alter table job
  add column makers text[] not null default '{}' check (cardinality(makers) <= 50),
  add column most_cas numeric(6, 2) check (most_cas > 0),
  add column most_height_mm numeric(6, 2) check (most_height_mm > 0),
  add column least_rating smallint check (least_rating between 100 and 500),
  add column in_stock boolean not null default false,
  add column in_time boolean not null default false;
