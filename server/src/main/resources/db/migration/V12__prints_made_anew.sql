-- Prints go to their printer in the order in which they were released; a page that is printed again is released again.
alter table attempt add column queued timestamptz;
update attempt set queued = created;
alter table attempt alter column queued set not null;
create index attempt_queue on attempt (printer_id, queued) where state in ('waiting', 'rendering', 'sending', 'printing');

-- Files of one attempt are made while another page of it is printed: who makes them holds a lease of their own.
alter table attempt add column render_lease uuid;

-- how far pages that were made anew may be from the print that they repeat, mean CIEDE2000: what a person agreed to
alter table attempt add column agreed double precision;

-- What a page looked like and which version of the renderer made its file: a file that is made anew is compared with it, and what came of that is kept.
alter table attempt_page
  add column engine          text,
  add column fingerprint     bytea,
  add column made_anew       boolean not null default false,
  add column difference_mean double precision,
  add column difference_most double precision;
-- the first attempt of an order was made by the version that froze it; later ones may have been made by another one
update attempt_page p set engine = coalesce(a.print_order::jsonb ->> 'engine', '1')
from attempt a
where a.id = p.attempt_id and p.file_hash is not null
  and not exists (select 1 from attempt o where o.order_hash = a.order_hash and o.created < a.created);

-- Two printers of one name couldn't be told apart: all but the first get a number.
update printer p set name = p.name || ' (' || d.n || ')'
from (select id, row_number() over (partition by lower(name) order by id) as n from printer) d
where d.id = p.id and d.n > 1;
