-- A job is its log. The row beside it is a projection, written with each append and made again by `npm run rebuild`.
create sequence job_number start 1181;

create table job (
  job uuid primary key,
  number integer not null unique default nextval('job_number'),
  seq integer not null default 0,
  customer text not null,
  equipment text not null,
  complaint text not null,
  promise date not null,
  status text not null check (status in ('open', 'closed', 'returned')),
  station text not null,
  station_state text not null,
  line text not null,
  list_number text,
  arrives date,
  last_by text not null,
  last_at timestamptz not null
);
create index job_by_promise on job (status, promise, number);

create table entry (
  job uuid not null references job,
  seq integer not null check (seq > 0),
  id uuid not null unique,
  kind text not null,
  v integer not null,
  body integer,
  half text,
  data jsonb not null,
  by_person text not null,
  at timestamptz not null,
  received_at timestamptz not null,
  corrects uuid,
  after_entry uuid,
  primary key (job, seq)
);
create trigger entry_is_immutable before update on entry for each row execute function refuse_change();

create table return_sheet (
  job uuid not null references job,
  seq integer not null,
  sha256 text not null,
  document jsonb not null,
  primary key (job, seq)
);
