-- Our own shelf, piece by piece: what each was taken from, what it was tested for, and to whom it is promised.

create table shelf_piece (
  id integer generated always as identity primary key,
  offer_id integer not null references offer (id),
  -- as the module tells it; a piece is on the shelf once
  serial text unique check (length(trim(serial)) between 1 and 80),
  test text not null check (test in ('untested', 'read', 'tested')),
  grade text not null check (grade in ('A', 'B', 'C')),
  note text not null default '' check (length(note) <= 200),
  origin_job_id integer references job (id),
  put_by integer references staff (id),
  put_at timestamptz not null default now(),
  -- the job whose sent quote promises it, to this day
  job_id integer references job (id),
  held_until date,
  -- fitted, sold or thrown away
  gone_at timestamptz,
  check (held_until is null or job_id is not null)
);
create index shelf_piece_of_offer on shelf_piece (offer_id) where gone_at is null;
create index shelf_piece_of_job on shelf_piece (job_id) where job_id is not null;

-- Pieces of an offer that nobody is promised today.
create function free_pieces(of_offer integer) returns integer stable language sql as $$
  select count(*)::integer from shelf_piece
  where offer_id = of_offer and gone_at is null
    and (held_until is null or held_until < (select (now() at time zone time_zone)::date from shop))
$$;

-- A shelf offer's stock is its free pieces, and nothing else.
create function note_free_pieces() returns trigger language plpgsql as $$
begin
  update offer set stock = free_pieces(new.offer_id) where id = new.offer_id;
  return null;
end $$;
create trigger shelf_piece_is_stock after insert or update on shelf_piece
  for each row execute function note_free_pieces();

insert into shelf_piece (offer_id, test, grade)
  select id, 'tested', 'B' from offer cross join generate_series(1, stock) where seller_id is null and origin = 'used';
