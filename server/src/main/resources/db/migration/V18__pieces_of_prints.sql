-- What lies on a print that holds several pieces, to find it by any of them; and the docket that each came from.
create table attempt_piece (
  attempt_id uuid not null references attempt (id) on delete cascade,
  position   int  not null,
  item_id    text not null,
  title      text not null,
  file_name  text not null,
  source_id  uuid references docket (id) on delete set null,
  primary key (attempt_id, position)
);
create index attempt_piece_source on attempt_piece (source_id);
-- only orders of several pieces are read: one that is damaged keeps no home from being opened
with gangs as materialized (
  select id, docket_id, title, print_order from attempt where print_order like '{%"kind":"gang"%}'
), orders as (
  select id, docket_id, title, print_order::jsonb -> 'spec' as spec from gangs
)
insert into attempt_piece (attempt_id, position, item_id, title, file_name, source_id)
select o.id, i.nth, i.item ->> 'id', coalesce(nullif(i.item ->> 'title', ''), o.title), coalesce(m.file_name, ''), j.source_id
from orders o
cross join lateral jsonb_array_elements(o.spec -> 'items') with ordinality as i (item, nth)
left join lateral (select r ->> 'masterHash' as hash from jsonb_array_elements(o.spec -> 'renditions') r
  where r ->> 'id' = i.item ->> 'renditionId' limit 1) r on true
left join master m on m.hash = r.hash
left join joint_piece j on j.docket_id = o.docket_id and j.item_id = i.item ->> 'id'
where o.spec -> 'plan' ->> 'kind' = 'gang';
