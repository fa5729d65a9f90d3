-- Pieces of a docket that were taken from other dockets, to be printed together.
create table joint_piece (
    docket_id uuid not null references docket (id) on delete cascade,
    item_id text not null,
    source_id uuid not null references docket (id) on delete cascade,
    primary key (docket_id, item_id)
);
create index on joint_piece (source_id);
