create table profile (
  hash        char(64) primary key,
  description text not null,
  space       text not null,
  added       timestamptz not null
);

create table master (
  id              uuid primary key,
  hash            char(64) not null unique,
  file_name       text not null,
  bytes           bigint not null check (bytes > 0),
  format          text not null,
  width           int not null check (width > 0),
  height          int not null check (height > 0),
  bits            int not null,
  channels        int not null check (channels in (1, 3)),
  profile_hash    char(64) references profile (hash),
  profile_problem text not null default '',
  histogram       jsonb not null,
  added           timestamptz not null
);

create table printer (
  id           uuid primary key,
  name         text not null,
  uri          text not null unique,
  more_info    text not null default '',
  capabilities jsonb,
  state        text not null default 'away' check (state in ('idle', 'printing', 'stopped', 'away')),
  reason       text not null default '',
  seen         timestamptz
);

create table pairing (
  id           uuid primary key,
  printer_id   uuid not null references printer (id),
  paper        text not null,
  surface      text not null,
  media_type   text not null,
  feed         text not null,
  quality      int not null check (quality between 3 and 5),
  profile_hash char(64) not null references profile (hash),
  intent       text not null check (intent in ('PERCEPTUAL', 'RELATIVE', 'SATURATION', 'ABSOLUTE')),
  white_l      double precision not null,
  white_a      double precision not null,
  white_b      double precision not null,
  black_l      double precision not null,
  unique (printer_id, paper, media_type, quality)
);

create table docket (
  id        uuid primary key,
  number    int generated always as identity unique,
  master_id uuid not null references master (id),
  version   int not null default 1,
  revision  int not null default 1,
  created   timestamptz not null,
  changed   timestamptz not null,
  put_away  boolean not null default false
);

create table docket_revision (
  docket_id uuid not null references docket (id) on delete cascade,
  revision  int not null,
  decisions jsonb not null,
  primary key (docket_id, revision)
);

create table attempt (
  id           uuid primary key,
  docket_id    uuid not null references docket (id),
  number       int not null,
  printer_id   uuid not null references printer (id),
  master_hash  char(64) not null,
  profile_hash char(64) not null,
  decisions    jsonb not null,
  readback     text not null,
  state        text not null check (state in ('waiting', 'rendering', 'sending', 'printing', 'done', 'failed', 'cancelled')),
  message      text not null default '',
  percent      int not null default 0,
  cancel_asked boolean not null default false,
  file_hash    char(64),
  job_id       int,
  job_sent     boolean not null default false,
  scan_hash    char(64),
  verdict      text not null default '',
  remark       text not null default '',
  created      timestamptz not null,
  print_began  timestamptz,
  finished     timestamptz,
  unique (docket_id, number)
);

create index attempt_created on attempt (created desc);

-- the table of db-scheduler, as its documentation gives it for PostgreSQL
create table scheduled_tasks (
  task_name            text not null,
  task_instance        text not null,
  task_data            bytea,
  execution_time       timestamptz not null,
  picked               boolean not null,
  picked_by            text,
  last_success         timestamptz,
  last_failure         timestamptz,
  consecutive_failures int,
  last_heartbeat       timestamptz,
  version              bigint not null,
  priority             smallint,
  state                text,
  primary key (task_name, task_instance)
);
create index execution_time_idx on scheduled_tasks (execution_time);
create index last_heartbeat_idx on scheduled_tasks (last_heartbeat);
create index priority_execution_time_idx on scheduled_tasks (priority desc, execution_time asc);
