-- Readings are of bytes as well as of text, and several of them are joined. One that does not belong is set aside,
-- not deleted: what was said stays.

alter table reading alter column input type bytea using convert_to(input, 'UTF8');
alter table reading add column set_aside boolean not null default false;
