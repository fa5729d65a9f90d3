-- A version of a pairing never changes: it names the version of its paper. Until now editing a paper by its name changed every pairing on it.
create table paper_version (
  paper_id     uuid not null references paper (id),
  no           int not null check (no > 0),
  surface      text not null,
  thickness_mm double precision not null check (thickness_mm >= 0),
  grammage     int not null check (grammage >= 0),
  texture      text not null,
  curl         text not null check (curl in ('FLAT', 'SLIGHT', 'STRONG')),
  made         timestamptz not null,
  primary key (paper_id, no)
);
insert into paper_version (paper_id, no, surface, thickness_mm, grammage, texture, curl, made)
select id, 1, surface, thickness_mm, grammage, texture, curl, now() from paper;
alter table pairing_version add column paper_no int not null default 1;
alter table pairing_version alter column paper_no drop default;
alter table pairing_version add foreign key (paper_id, paper_no) references paper_version (paper_id, no);
alter table paper drop column surface, drop column thickness_mm, drop column grammage, drop column texture, drop column curl;

-- Which pictures a docket holds is rewritten whenever it changes, in their order.
alter table docket_rendition add column position int not null default 0;
