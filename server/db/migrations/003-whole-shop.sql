-- What the rack says beside each tag, and what the counter finds as one types. `npm start` makes the rows again from their logs.
alter table job add column engine text not null default '';
alter table job add column waits_for text not null default '';
alter table job add column bodies integer not null default 1;
alter table job add column body integer not null default 1;
alter table job add column minutes_left integer not null default 0;
alter table job add column opened_at timestamptz;
alter table job add column arrived_at timestamptz;
create index job_by_customer on job (customer, number desc);

alter table shop add column working_days integer[] not null default '{1,2,3,4,5}';
alter table shop add column hour_minor integer not null default 0 check (hour_minor >= 0);

-- A sheet's revision: A as it went back, a letter on for each correction after the return.
alter table return_sheet add column revision text not null default 'A';

-- Sheets of an earlier number that a list number takes the place of, and what else fits, as the maker's notes say.
alter table list_number add column supersedes jsonb not null default '[]';
alter table list_number add column fits_as jsonb not null default '[]';
create index sheet_revision_newest on sheet_revision (list_number, kind, number desc);

-- One customer has several engines.
alter table customer drop constraint customer_pkey;
alter table customer add primary key (customer, engine, equipment);

alter table sheet_revision add column added_at timestamptz(3) not null default now();
