-- Bars and boards that a person keeps under a name, to wrap prints round.
create table own_body (
  name        text primary key check (length(name) between 1 and 80),
  kind        text not null check (kind in ('BARS', 'BOARD')),
  depth_mm    double precision not null check (depth_mm > 0),
  air_gap_mm  double precision not null check (air_gap_mm >= 0),
  turn_over_mm double precision not null check (turn_over_mm >= 0)
);
