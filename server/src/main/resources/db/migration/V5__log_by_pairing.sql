-- The last prints on each pairing are asked for with every docket: without an index the whole log was read.
create index attempt_by_pairing on attempt (pairing_id, created desc);
