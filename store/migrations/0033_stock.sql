-- New modules of our own: bought before they are sold, with a place and a least quantity, counted down as they are fitted.

alter table offer
  drop constraint offer_of_somebody,
  -- where it lies
  add column place text not null default '' check (length(place) <= 80),
  -- fewer than this and somebody should order more; null: nobody minds
  add column least_stock integer check (least_stock between 1 and 10000);
create index offer_own_stock on offer (id) where seller_id is null and origin <> 'used' and withdrawn_at is null;
