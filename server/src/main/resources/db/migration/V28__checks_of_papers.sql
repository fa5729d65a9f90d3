-- Whether a pairing still prints what its profile says: a strip that was printed, here or elsewhere, and what was read of it.
create table paper_check (
  id         uuid primary key,
  pairing_id uuid not null references pairing (id),
  version    int not null,
  docket_id  uuid references docket (id),
  strip      jsonb not null,
  columns    int not null check (columns between 4 and 500),
  length_mm  double precision not null,
  created    timestamptz not null,
  lab        jsonb,
  verdict    jsonb,
  taken      timestamptz,
  check      ((lab is null) = (verdict is null) and (lab is null) = (taken is null))
);

create index paper_check_pairing on paper_check (pairing_id, created);
