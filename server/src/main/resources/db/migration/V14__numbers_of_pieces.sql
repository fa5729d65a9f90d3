-- What lies on a page, by name, and the number of an edition that each piece bears. Until now a page had one picture, and one number.
alter table attempt_page add column placed text[] not null default '{i1}';
alter table attempt_page alter column placed drop default;

create table edition (
  work       text not null,
  number     int not null check (number > 0),
  attempt_id uuid not null,
  page       int not null,
  placed_id  text not null,
  primary key (attempt_id, page, placed_id),
  foreign key (attempt_id, page) references attempt_page (attempt_id, page) on delete cascade
);
create index edition_work on edition (work);
insert into edition (work, number, attempt_id, page, placed_id)
select a.docket_id || '/i1', p.edition, p.attempt_id, p.page, 'i1' from attempt_page p join attempt a on a.id = p.attempt_id where p.edition is not null;
alter table attempt_page drop column edition;
