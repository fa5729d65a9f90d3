-- Profiles of people's own screens. Which of them a screen has is known to its browser.
create table display (
  hash  text primary key references profile (hash),
  added timestamptz not null
);
