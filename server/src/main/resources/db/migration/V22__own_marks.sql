-- signatures, stamps, logos and lines of text that a person lays beside pictures or over them
create table own_mark (
  id      uuid primary key,
  name    text not null unique,
  kind    text not null check (kind in ('PICTURE', 'DRAWING', 'WORDS')),
  -- of a picture or drawing its file's hash, of words these
  content text not null,
  aspect  double precision not null check (aspect > 0),
  added   timestamptz not null
);
