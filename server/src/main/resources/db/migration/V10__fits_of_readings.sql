-- what the fit of a reading came to, as it takes a while; empty until it was asked for, and when the reading is taken another way
alter table wedge_reading add column fit jsonb;
