-- Pictures by the hash of what they hold: a job's entry names them, twice taken is once kept.
create table photograph (
  hash bytea primary key check (octet_length(hash) = 32),
  picture bytea not null,
  taken_in timestamptz not null default now()
);
alter table photograph alter column picture set storage external;
