-- what wedges told of a pairing's monochrome modes
alter table pairing_version add column curves jsonb not null default '[]';

-- step wedges: how each was printed, by the docket that printed it
create table wedge (
  number     int primary key check (number > 0),
  docket_id  uuid references docket (id),
  pairing_id uuid not null references pairing (id),
  mode       jsonb not null,
  words      text not null,
  sheet      text not null,
  steps      int not null check (steps > 0),
  repeats    int not null check (repeats > 0),
  scattered  boolean not null,
  through    jsonb,
  of_wedge   int references wedge (number),
  created    timestamptz not null
);
create index wedge_pairing on wedge (pairing_id);
create sequence wedge_number;

-- a reading is never changed; what a person leaves out of it, and points they moved, stand beside it
create table wedge_reading (
  id          uuid primary key,
  wedge       int not null references wedge (number),
  hash        text not null,
  scan_hash   text,
  origin      text not null check (origin in ('INSTRUMENT', 'SCANNER', 'FILE')),
  taken       timestamptz not null,
  turned      boolean not null default false,
  left_out    jsonb not null default '[]',
  points      jsonb,
  target      text not null check (target in ('EVEN', 'PROOF')),
  note        text not null default ''
);
create index wedge_reading_wedge on wedge_reading (wedge, taken);
