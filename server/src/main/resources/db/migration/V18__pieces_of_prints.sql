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
insert into attempt_piece (attempt_id, position, item_id, title, file_name, source_id)
select a.id, i.nth, i.item ->> 'id', coalesce(nullif(i.item ->> 'title', ''), a.title), coalesce(m.file_name, ''), j.source_id
from attempt a
cross join lateral jsonb_array_elements(case when a.print_order::jsonb -> 'spec' -> 'plan' ->> 'kind' = 'gang'
  then a.print_order::jsonb -> 'spec' -> 'items' else '[]'::jsonb end) with ordinality as i (item, nth)
left join lateral (select r ->> 'masterHash' as hash from jsonb_array_elements(a.print_order::jsonb -> 'spec' -> 'renditions') r
  where r ->> 'id' = i.item ->> 'renditionId' limit 1) r on true
left join master m on m.hash = r.hash
left join joint_piece j on j.docket_id = a.docket_id and j.item_id = i.item ->> 'id';
