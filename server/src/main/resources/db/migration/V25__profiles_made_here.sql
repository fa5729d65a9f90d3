-- A profile in the making: its chart is printed on a pairing that is offered to nobody, whose numbers are the printer's own.
create table profiling (
  id           uuid primary key,
  pairing_id   uuid not null references pairing (id),
  of_pairing   uuid references pairing (id),
  size         text not null check (size in ('SMALL', 'USUAL', 'LARGE')),
  seed         bigint not null,
  columns      int not null check (columns between 4 and 500),
  length_mm    double precision not null,
  drying_hours double precision not null check (drying_hours between 0 and 336),
  left_out     jsonb not null default '[]',
  profile_hash char(64) references profile (hash),
  quality      jsonb,
  kept         timestamptz,
  created      timestamptz not null
);

create table profiling_page (
  profiling_id uuid not null references profiling (id) on delete cascade,
  page         int not null check (page > 0),
  docket_id    uuid not null references docket (id),
  primary key (profiling_id, page)
);

-- L*, a*, b* of a page's patches in the page's own order, whichever way it was read
create table profiling_reading (
  profiling_id uuid not null,
  page         int not null,
  no           int not null check (no > 0),
  lab          jsonb not null,
  words        jsonb not null,
  origin       text not null check (origin in ('INSTRUMENT', 'FILE')),
  taken        timestamptz not null,
  primary key (profiling_id, page, no),
  foreign key (profiling_id, page) references profiling_page (profiling_id, page) on delete cascade
);
