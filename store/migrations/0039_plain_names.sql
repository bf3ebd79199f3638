-- Names that a person who reads the schema understands: what happened to a line of an order, and what a list's rows are looked at by.
alter table part_news rename to order_line_event;
alter table price_list_row rename column heap to review_group;
