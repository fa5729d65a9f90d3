-- Moves kept under a name. A version never changes; dockets hold their moves themselves and name the version that they came from.
create table compensation (
  id      uuid primary key,
  name    text not null unique check (length(name) between 1 and 80),
  created timestamptz not null
);
create table compensation_version (
  compensation_id uuid not null references compensation (id) on delete cascade,
  no              int not null check (no > 0),
  moves           jsonb not null,
  -- the pairing that it was made on, where there was one
  pairing_id      uuid references pairing (id),
  made            timestamptz not null,
  primary key (compensation_id, no)
);
-- what new dockets on a pairing start with
create table pairing_compensation (
  pairing_id      uuid primary key references pairing (id),
  compensation_id uuid not null references compensation (id)
);
