-- A file for somebody else's printer is an attempt like any other; it is written, not printed.
alter table attempt add column lab_file boolean not null default false;
