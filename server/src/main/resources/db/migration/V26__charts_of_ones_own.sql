-- A chart may be one that a person brought, or a hundred patches more for a profile that exists: then it is kept as text (CGATS).
alter table profiling alter column size drop not null;
alter table profiling drop constraint profiling_size_check;
alter table profiling add constraint profiling_size_check check (size in ('SMALL', 'USUAL', 'LARGE', 'GRAYS'));
alter table profiling add column chart text;
alter table profiling add constraint profiling_one_chart check ((size is null) <> (chart is null));

-- whose chart's measurements count too
alter table profiling add column base_hash char(64) references profile (hash);

alter table profiling add column choices jsonb not null default '{"compression": "MIDDLE", "grays": "PAPER", "tables": "USUAL"}';

-- how well the profile in use foresees the same patches
alter table profiling add column in_use jsonb;
