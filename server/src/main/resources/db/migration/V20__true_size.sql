-- how long a millimetre that is sent comes out on a pairing's paper, across the feed and along it
alter table pairing_version
  add column feed_across double precision not null default 1 check (feed_across between 0.98 and 1.02),
  add column feed_along  double precision not null default 1 check (feed_along between 0.98 and 1.02);

-- ruled lines: how long they were meant to come out, and what a ruler said
create table ruler (
  id             uuid primary key,
  pairing_id     uuid not null references pairing (id),
  docket_id      uuid not null references docket (id),
  across_mm      double precision not null check (across_mm > 0),
  along_mm       double precision not null check (along_mm > 0),
  stock          text not null,
  scale_across   double precision not null,
  scale_along    double precision not null,
  created        timestamptz not null,
  read_across_mm double precision,
  read_along_mm  double precision,
  version        int
);
create index ruler_pairing on ruler (pairing_id, created);
