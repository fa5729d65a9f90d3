-- files that came in and are still to be answered or told of on the bench
create table arrival (
  id          uuid primary key,
  file_name   text not null,
  master_hash char(64) references master (hash),
  origin      text not null check (origin in ('DROPPED', 'WATCHED')),
  state       text not null check (state in ('ASKS', 'OPENED', 'NEWER', 'UNREADABLE')),
  words       text not null,
  -- of a watched file
  path        text,
  came        timestamptz not null,
  check (state = 'UNREADABLE' or master_hash is not null)
);
create index arrival_state on arrival (state, came);
create index arrival_path on arrival (path) where path is not null;

-- what an arrival may be, or became, the newer file of
create table arrival_docket (
  arrival_id   uuid not null references arrival (id) on delete cascade,
  docket_id    uuid not null references docket (id),
  rendition_id text not null,
  primary key (arrival_id, docket_id, rendition_id)
);

-- files of the watched folder that were dealt with: none is taken twice
create table watched_file (
  path  text primary key,
  -- size and times that it had then
  mark  text not null,
  -- of its content; empty where it couldn't be read
  hash  char(64),
  state text not null check (state in ('TAKEN', 'MOVED', 'UNREADABLE')),
  seen  timestamptz not null
);
create index watched_file_hash on watched_file (hash);
