-- How long the maker or the seller answers for an offer's modules, months; null: nobody says.
alter table offer add column guarantee_months smallint check (guarantee_months between 1 and 1200);
