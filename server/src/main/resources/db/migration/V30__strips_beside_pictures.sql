-- The ink set that a pairing's profile was made with; empty for the printer maker's own.
alter table pairing_version add column inks text not null default '';

-- A control strip may lie beside a picture: then it is read on that print's first page. In a narrow border it has few columns.
alter table paper_check add column attempt_id uuid references attempt (id) on delete cascade;
alter table paper_check drop constraint paper_check_columns_check;
alter table paper_check add constraint paper_check_columns_check check (columns between 1 and 500);
create index paper_check_attempt on paper_check (attempt_id);

-- Spectra of a page's patches, where its reading has them.
alter table profiling_reading add column spectra jsonb not null default '[]';
