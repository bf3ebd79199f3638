-- Parts to take home: nothing is fitted here, and no old module comes back for credit.
alter table job add column parts_only boolean not null default false;
-- null: as the job
alter table quote_choice add column parts_only boolean;
