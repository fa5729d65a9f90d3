-- the picture that a print was made from: its docket may hold a newer file since. Orders of the first form don't tell it there
alter table attempt add column master_hash text;
update attempt set master_hash = substring(print_order from '"masters":\[\{[^}]*"hash":"([0-9a-f]{64})"');
