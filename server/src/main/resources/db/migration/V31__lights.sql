-- The lights that prints hang in.
create table light (
  id      uuid primary key,
  name    text not null check (length(name) between 1 and 60),
  lux     double precision not null check (lux > 0),
  kelvin  double precision not null check (kelvin > 0),
  created timestamptz not null
);

insert into light (id, name, lux, kelvin, created)
values ('00000000-0000-4000-8000-000000000001', 'an evening room', 60, 2700, '2026-01-01T00:00:00Z');
