-- Numbered prints of limited editions: each page that bears a number keeps it.
alter table attempt_page add column edition int check (edition > 0);

-- Sheets that a person cuts and names.
create table own_sheet (
  name      text primary key check (length(name) between 1 and 80),
  width_mm  double precision not null check (width_mm >= 50),
  length_mm double precision not null check (length_mm >= width_mm)
);

-- What printers said of themselves before they were asked how far they print over the edge.
update printer_description set body = (body::jsonb || '{"overEdgesMm": []}'::jsonb)::text;
