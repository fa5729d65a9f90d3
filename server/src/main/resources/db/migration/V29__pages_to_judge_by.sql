-- A page that a paper is judged by before work is printed on it; its verdict is that of its print.
create table judging_page (
  docket_id  uuid primary key references docket (id),
  pairing_id uuid not null references pairing (id),
  version    int not null,
  created    timestamptz not null
);

create index judging_page_pairing on judging_page (pairing_id, created);
