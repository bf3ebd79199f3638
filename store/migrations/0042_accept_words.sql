-- What the button says by which a customer accepts, by language; left out: "Accept". Countries prescribe its words: in the European
-- Union it says that the customer has to pay (Directive 2011/83/EU, Article 8(2)).
alter table shop add column accept_words jsonb not null default '{}' check (jsonb_typeof(accept_words) = 'object');
