-- The spec that holds now stands with its docket. Of what a docket went through every 20th spec is kept whole, the others as what changed since the one
-- before (JSON Patch, RFC 6902): a hundred pieces through two hundred revisions stay small.
alter table docket add column spec jsonb, add column schema int;
update docket d set spec = r.spec, schema = r.schema from docket_revision r where r.docket_id = d.id and r.revision = d.revision;
alter table docket alter column spec set not null, alter column schema set not null;
alter table docket_revision alter column spec drop not null, add column patch jsonb, add check ((spec is null) <> (patch is null));
