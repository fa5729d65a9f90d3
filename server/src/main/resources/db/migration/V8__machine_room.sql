-- what papers are like to handle
alter table paper
  add column thickness_mm double precision not null default 0 check (thickness_mm >= 0),
  add column grammage     int not null default 0 check (grammage >= 0),
  add column texture      text not null default '',
  add column curl         text not null default 'FLAT' check (curl in ('FLAT', 'SLIGHT', 'STRONG'));

-- what is left in printers; descriptions in the form of before are read as they are
alter table printer_state
  add column supplies  jsonb not null default '[]',
  add column black_ink text not null default '';

-- a print that waits for a person's word
alter table attempt add column held boolean not null default false;

-- how much of a page is covered with ink, and what the printer told that it took
alter table attempt_page
  add column coverage double precision,
  add column ink_ml   double precision;
