-- A model is found by anything typed or read, in any order and with slips of the pen: its words stand apart, once each
-- over the whole library, with the number of models that have them.

create extension if not exists pg_trgm;

alter table model
  add column family text not null default '' check (length(family) <= 80),
  -- identifiers on labels and in reports: model ids, board ids, beginnings of serial numbers
  add column model_ids text[] not null default '{}',
  add column board_ids text[] not null default '{}',
  add column serial_prefixes text[] not null default '{}';

create table word (
  id integer generated always as identity primary key,
  word text not null unique,
  -- holds a digit, as identifiers do: names and identifiers are sought apart, so that neither slows the other
  numbered boolean not null generated always as (word ~ '[0-9]') stored,
  -- how many models have it
  models integer not null check (models >= 0)
);
create index word_name_trigrams on word using gin (word gin_trgm_ops) where not numbered;
create index word_identifier_trigrams on word using gin (word gin_trgm_ops) where numbered and length(word) > 4;

create table model_word (
  word_id integer not null references word (id) on delete cascade,
  model_id integer not null references model (id) on delete cascade,
  primary key (word_id, model_id)
);
create index model_word_of_model on model_word (model_id);

-- The words that a model is found by: of its names and years, and of its identifiers also without what parts them.
create function words_of_model(m model) returns setof text language sql stable as $$
  select distinct found from (
    select regexp_split_to_table(
      lower(concat_ws(' ', m.maker, m.family, m.name, m.year_from, m.year_to,
        array_to_string(m.product_strings || m.model_ids || m.board_ids, ' '))),
      '[^[:alnum:]]+') as found
    union all
    select regexp_replace(lower(identifier), '[^[:alnum:]]+', '', 'g')
    from unnest(m.product_strings || m.model_ids || m.board_ids) as identifier
  ) as split
  where length(found) between 1 and 60
$$;

create function drop_model_words() returns trigger language plpgsql as $$
begin
  update word set models = models - 1 where id in (select word_id from model_word where model_id = old.id);
  delete from model_word where model_id = old.id;
  return old;
end $$;

create function put_model_words() returns trigger language plpgsql as $$
begin
  with put as (
    insert into word (word, models) select each_word, 1 from words_of_model(new) as each_word order by each_word
    on conflict (word) do update set models = word.models + 1
    returning id
  )
  insert into model_word (word_id, model_id) select id, new.id from put;
  return new;
end $$;

create function change_model_words() returns trigger language plpgsql as $$
begin
  update word set models = models - 1 where id in (select word_id from model_word where model_id = old.id);
  delete from model_word where model_id = old.id;
  return new;
end $$;

create trigger model_words_dropped before delete on model for each row execute function drop_model_words();
create trigger model_words_changed before update on model for each row execute function change_model_words();
create trigger model_words_put after insert or update on model for each row execute function put_model_words();

update model set name = name;
