-- What the shop answers to a customer's question on a quote; it stands beside the question on the customer's page.
create table quote_reply (
  answer_id integer primary key references quote_answer (id),
  words text not null check (length(words) between 1 and 2000),
  staff_id integer not null references staff (id),
  replied_at timestamptz not null default now()
);
create trigger reply_is_kept before update or delete on quote_reply for each row execute function keep_answer();
