-- Paper makers' catalogues, kept as they were fetched last.
create table library (
  id          uuid primary key,
  address     text not null unique,
  own_network boolean not null,
  title       text not null,
  etag        text,
  fetched     timestamptz not null,
  failure     text,
  added       timestamptz not null
);

create table library_paper (
  library_id uuid not null references library (id) on delete cascade,
  item_id    text not null,
  position   int not null,
  paper      jsonb not null,
  primary key (library_id, item_id)
);

-- where a profile was fetched from; it stays when the library goes
create table profile_origin (
  profile_hash char(64) primary key references profile (hash),
  library_id   uuid references library (id) on delete set null,
  maker        text not null,
  item_id      text not null,
  url          text not null,
  edition      text not null,
  etag         text,
  licence      text not null,
  fetched      timestamptz not null
);
