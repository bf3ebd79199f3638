-- A machine of several is found again by its serial.
create index job_more_serials on job using gin (more_serials);
