-- The shop, its library and what its suppliers sell: plain relational data with its constraints.
create table shop (
  only_one boolean primary key default true check (only_one),
  name text not null,
  place text not null,
  zone text not null,
  currency_code text not null,
  currency_exponent integer not null check (currency_exponent between 0 and 4)
);

create table person (
  person text primary key,
  name text not null check (name <> ''),
  initials text not null
);

create table gauge (
  gauge text primary key,
  name text not null,
  kind text not null,
  resolution_mm double precision not null check (resolution_mm >= 0),
  repeatability_mm double precision not null check (repeatability_mm >= 0)
);

create table customer (
  customer text primary key,
  engine text not null,
  equipment text not null
);

create table maker (
  maker text primary key,
  numbering text not null
);

create table model (
  model text primary key,
  maker text not null references maker,
  name text not null
);

create table list_number (
  list_number text primary key,
  model text not null references model,
  mark text not null,
  weight double precision not null check (weight > 0),
  features jsonb not null
);
create index list_number_model on list_number (model);

-- Revisions are immutable: a change is a new row.
create table sheet_revision (
  revision text primary key,
  list_number text not null references list_number,
  kind text not null check (kind in ('spec', 'build')),
  number integer not null check (number > 0),
  sha256 text not null,
  sheet jsonb not null,
  unique (list_number, kind, number)
);

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception '% is never changed: add a new row', tg_table_name;
end $$;
create trigger sheet_revision_is_immutable before update on sheet_revision for each row execute function refuse_change();

create table part (
  part text primary key,
  name text not null,
  kind text not null,
  material text not null,
  tell text not null,
  drawing text not null
);

create table supplier (
  supplier text primary key,
  name text not null,
  shipping_minor integer not null check (shipping_minor >= 0)
);

create table price (
  part text not null references part,
  supplier text not null references supplier,
  price_minor integer not null check (price_minor >= 0),
  lead_days integer not null check (lead_days >= 0),
  primary key (part, supplier)
);

create table kit (
  kit text primary key,
  name text not null,
  supplier text not null references supplier,
  price_minor integer not null check (price_minor >= 0),
  lead_days integer not null check (lead_days >= 0),
  stock integer not null check (stock >= 0)
);

create table kit_hold (
  kit text not null references kit on delete cascade,
  part text not null references part,
  quantity integer not null check (quantity > 0),
  primary key (kit, part)
);

create table shelf (
  part text primary key references part,
  quantity integer not null check (quantity >= 0)
);
