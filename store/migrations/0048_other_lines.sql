-- The shop's usual lines beside parts and fitting: diagnosis, cleaning, data moved, a drive. Their words by language.
create table usual_line (
  id integer generated always as identity primary key,
  position integer not null,
  texts jsonb not null check (jsonb_typeof(texts) = 'object' and texts <> '{}'),
  -- as the shop's prices are, minor units
  cents integer not null check (cents between 1 and 100000000),
  -- hundredths of a percent; null: as fees are taxed
  tax_bp integer check (tax_bp between 0 and 10000)
);

-- Other lines take the place of the fees of a quote's terms.
update quote set terms = (terms - 'fees') || jsonb_build_object('extras', (
  select coalesce(jsonb_agg(jsonb_build_object('text', fee -> 'text', 'quantity', 1, 'eachCents', fee -> 'cents', 'taxBp', null)), '[]')
  from jsonb_array_elements(terms -> 'fees') as fee))
where terms ? 'fees';
