-- What was set up once: a demo that was begun and not finished is loaded anew.
create table setup (
  what text primary key,
  begun_at timestamptz not null default now(),
  done_at timestamptz
);
