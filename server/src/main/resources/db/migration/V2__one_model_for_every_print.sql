-- The model of several pictures, pages, versions of pairings and frozen orders. Rows of the first schema are carried over as they were written:
-- specs and orders keep "schema": 1 and are read by StoredSpecs, which turns them into the newest form.

-- papers and pairings ---------------------------------------------------------------------------------------------------------------
create table paper (
  id      uuid primary key,
  name    text not null unique,
  surface text not null
);
insert into paper (id, name, surface)
select gen_random_uuid(), paper, min(surface) from pairing group by paper;

create table pairing_version (
  pairing_id   uuid not null references pairing (id),
  no           int not null check (no > 0),
  printer_id   uuid not null references printer (id),
  paper_id     uuid not null references paper (id),
  settings     jsonb not null,
  profile_hash char(64) not null references profile (hash),
  intent       text not null check (intent in ('PERCEPTUAL', 'RELATIVE', 'SATURATION', 'ABSOLUTE')),
  white_l      double precision not null,
  white_a      double precision not null,
  white_b      double precision not null,
  black_l      double precision not null,
  made         timestamptz not null,
  primary key (pairing_id, no)
);
insert into pairing_version (pairing_id, no, printer_id, paper_id, settings, profile_hash, intent, white_l, white_a, white_b, black_l, made)
select g.id, 1, g.printer_id, p.id,
  jsonb_build_object('media-type', g.media_type, 'media-source', g.feed, 'print-quality', g.quality::text),
  g.profile_hash, g.intent, g.white_l, g.white_a, g.white_b, g.black_l, now()
from pairing g join paper p on p.name = g.paper;

-- attempts keep their order, before pairing and printer lose the columns that it is made of ----------------------------------------------
alter table attempt
  add column title       text not null default '',
  add column paper       text not null default '',
  add column pairing_id  uuid,
  add column summary     text not null default '',
  add column order_hash  char(64),
  add column print_order text,
  add column lease       uuid;

update attempt a set
  title = a.decisions ->> 'title',
  paper = coalesce(g.paper, ''),
  pairing_id = g.id,
  summary = concat(a.decisions -> 'size' ->> 'sheet', ', ', round((a.decisions -> 'size' ->> 'widthMm')::numeric, 1), ' × ',
    round((a.decisions -> 'size' ->> 'heightMm')::numeric, 1), ' mm'),
  print_order = jsonb_build_object(
    'schema', 1,
    'decisions', a.decisions,
    'master', jsonb_build_object('hash', a.master_hash, 'width', m.width, 'height', m.height, 'channels', m.channels, 'profileHash', m.profile_hash),
    'pairing', case when g.id is null then null else jsonb_build_object('id', g.id, 'printerId', g.printer_id, 'printerName', r.name, 'paper', g.paper,
      'surface', g.surface, 'mediaType', g.media_type, 'feed', g.feed, 'quality', g.quality, 'profileHash', a.profile_hash, 'intent', g.intent,
      'white', jsonb_build_array(g.white_l, g.white_a, g.white_b), 'blackL', g.black_l) end,
    'capabilities', r.capabilities)::text
from docket d
  join master m on m.id = d.master_id,
  attempt b
  left join pairing g on g.id::text = b.decisions ->> 'pairingId'
  join printer r on r.id = b.printer_id
where d.id = a.docket_id and b.id = a.id;
update attempt set order_hash = encode(sha256(convert_to(print_order, 'UTF8')), 'hex');
alter table attempt alter column order_hash set not null, alter column print_order set not null;

create table attempt_page (
  attempt_id      uuid not null references attempt (id) on delete cascade,
  page            int not null check (page > 0),
  state           text not null check (state in ('waiting', 'rendering', 'sending', 'printing', 'done', 'failed', 'cancelled')),
  message         text not null default '',
  percent         int not null default 0 check (percent between 0 and 100),
  file_hash       char(64),
  file_kept       boolean not null default true,
  job_id          int,
  job_sent        boolean not null default false,
  job_tries       int not null default 0,
  began           timestamptz,
  finished        timestamptz,
  printed_seconds double precision not null default 0,
  scan_hash       char(64),
  scan_kept       boolean not null default true,
  area_m2         double precision not null default 0,
  primary key (attempt_id, page)
);
insert into attempt_page (attempt_id, page, state, message, percent, file_hash, job_id, job_sent, began, finished, printed_seconds, scan_hash, area_m2)
select id, 1, state, message, percent, file_hash, job_id, job_sent, print_began, finished,
  coalesce(extract(epoch from finished - print_began), 0), scan_hash,
  (decisions ->> 'copies')::int * case decisions -> 'size' ->> 'sheet' when 'A3' then 0.12474 when 'A3+' then 0.158907 when 'A2' then 0.24948
    when 'Letter' then 0.06032246 when '17 x 22 in' then 0.24128984 else 0.06237 end
from attempt;

-- the first schema could hold two running attempts of one docket: the later ones end, so that the index below can be made
update attempt set state = 'failed', message = 'This docket was released twice at once by an earlier version. Release it again.', finished = now()
where state in ('waiting', 'rendering', 'sending', 'printing')
  and exists (select 1 from attempt o where o.docket_id = attempt.docket_id and o.number < attempt.number and o.state in ('waiting', 'rendering', 'sending', 'printing'));
update attempt_page p set state = 'failed', message = a.message, finished = a.finished from attempt a
where a.id = p.attempt_id and a.state = 'failed' and p.state in ('waiting', 'rendering', 'sending', 'printing');

alter table attempt
  drop column decisions, drop column master_hash, drop column profile_hash, drop column percent, drop column file_hash,
  drop column job_id, drop column job_sent, drop column scan_hash, drop column print_began;
create unique index attempt_running on attempt (docket_id) where state in ('waiting', 'rendering', 'sending', 'printing');
create index attempt_page_file on attempt_page (file_hash);
create index attempt_page_scan on attempt_page (scan_hash);

-- printers: what they are, what they say of themselves, how they are ---------------------------------------------------------------------
create table printer_description (
  hash char(64) primary key,
  body text not null,
  seen timestamptz not null
);
create table printer_state (
  printer_id       uuid primary key references printer (id) on delete cascade,
  description_hash char(64) references printer_description (hash),
  doing            text not null check (doing in ('IDLE', 'PRINTING', 'STOPPED', 'AWAY')),
  reason           text not null default '',
  more_info        text not null default '',
  loaded           jsonb not null default '[]',
  seen             timestamptz
);
create function media_row_2(m jsonb) returns jsonb language sql immutable as $$
  select jsonb_build_object('type', m -> 'type', 'feed', m -> 'feed', 'widthMm', jsonb_build_object('from', m -> 'widthMm', 'to', m -> 'widthMm'),
    'lengthMm', jsonb_build_object('from', m -> 'heightMm', 'to', m -> 'heightMm'), 'margins', m -> 'margins')
$$;
create temporary table described on commit drop as
select id, jsonb_build_object('model', capabilities -> 'model',
  'media', (select coalesce(jsonb_agg(media_row_2(m)), '[]') from jsonb_array_elements(capabilities -> 'media') m),
  'mediaTypes', capabilities -> 'mediaTypes', 'feeds', capabilities -> 'feeds', 'qualities', capabilities -> 'qualities',
  'resolutions', capabilities -> 'resolutions', 'rasters', capabilities -> 'rasterTypes', 'formats', capabilities -> 'formats',
  'colourModes', '[]'::jsonb, 'intents', '[]'::jsonb)::text as body
from printer where capabilities is not null;
insert into printer_description (hash, body, seen)
select encode(sha256(convert_to(body, 'UTF8')), 'hex'), body, now() from described on conflict do nothing;
insert into printer_state (printer_id, description_hash, doing, reason, more_info, loaded, seen)
select p.id, encode(sha256(convert_to(d.body, 'UTF8')), 'hex'), upper(p.state), p.reason, p.more_info,
  coalesce((select jsonb_agg(media_row_2(m)) from jsonb_array_elements(p.capabilities -> 'loaded') m), '[]'), p.seen
from printer p left join described d on d.id = p.id;
drop function media_row_2;
alter table printer
  add column ipp_uuid text unique,
  add column retired boolean not null default false,
  drop column more_info, drop column capabilities, drop column state, drop column reason, drop column seen;

-- a pairing is its versions now
alter table pairing
  add column retired boolean not null default false,
  drop constraint pairing_printer_id_paper_media_type_quality_key,
  drop column printer_id, drop column surface, drop column media_type, drop column feed, drop column quality,
  drop column profile_hash, drop column intent, drop column white_l, drop column white_a, drop column white_b, drop column black_l, drop column paper;

-- dockets -----------------------------------------------------------------------------------------------------------------------------
create table docket_rendition (
  docket_id    uuid not null references docket (id) on delete cascade,
  rendition_id text not null,
  master_id    uuid not null references master (id),
  primary key (docket_id, rendition_id)
);
insert into docket_rendition select id, 'r1', master_id from docket;

-- a proof that was looked at stays so, for each pairing that it was looked at on; the key is DocketSpec.proofKey's
create table docket_seen (
  docket_id uuid not null references docket (id) on delete cascade,
  proof_key text not null,
  primary key (docket_id, proof_key)
);
insert into docket_seen
select distinct d.id, (r.decisions ->> 'pairingId') || ':1:' || m.hash
from docket d join docket_revision r on r.docket_id = d.id join master m on m.id = d.master_id
where (r.decisions -> 'proof' ->> 'looked')::boolean and r.decisions ->> 'pairingId' <> '';

alter table docket_revision rename column decisions to spec;
alter table docket_revision
  add column schema smallint not null default 1,
  add column change text not null default '',
  add column at timestamptz;
update docket_revision r set
  spec = r.spec || jsonb_build_object('masterHash', m.hash),
  at = d.changed
from docket d join master m on m.id = d.master_id where d.id = r.docket_id;
alter table docket_revision alter column schema drop default, alter column change drop default, alter column at set not null;
alter table docket drop column master_id;

-- what was set, and what the demo has laid out so far ------------------------------------------------------------------------------------
create table setting (
  key   text primary key,
  value text not null
);
create table demo_entry (
  key       text primary key,
  docket_id uuid references docket (id) on delete set null
);
-- whatever the demo could have laid out before is not laid out again
insert into demo_entry (key) select 'pairing:' || name from paper;
insert into demo_entry (key, docket_id)
select 'docket:' || (spec ->> 'title'), min(docket_id::text)::uuid from docket_revision group by spec ->> 'title';
insert into demo_entry (key, docket_id)
select distinct on (d.key || a.number) replace(d.key, 'docket:', 'print:') || ':' || a.number, d.docket_id
from demo_entry d join attempt a on a.docket_id = d.docket_id;

-- one task sees an attempt all the way now; the two of the first schema give way to it
insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version)
select 'print', a.id::text, now(), false, 1 from attempt a where a.state in ('waiting', 'rendering', 'sending', 'printing');
delete from scheduled_tasks where task_name in ('render', 'send');
