-- What a picture's file says of it in words: read when it is brought; of older ones after the next start.
alter table master add column title text not null default '';
alter table master add column taken timestamp;
alter table master add column notes_read boolean not null default false;
