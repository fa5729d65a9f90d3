-- Decisions of a docket that were kept under a name, to start others with. Changing one changes no docket.
create table starting_point (
  id      uuid primary key,
  name    text not null unique,
  schema  int not null,
  spec    jsonb not null,
  created timestamptz not null
);
