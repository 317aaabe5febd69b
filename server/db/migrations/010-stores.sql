-- Parts, kits and suppliers as they were changed on screen, each with its own versions: the newest row is what holds, null where it was
-- taken out. Versions guard two editors.
create table store_change (
  what text not null check (what in ('part', 'kit', 'supplier')),
  code text not null,
  version integer not null check (version > 0),
  at timestamptz(3) not null,
  by text not null check (by <> ''),
  record jsonb,
  primary key (what, code, version)
);
create trigger store_change_is_immutable before update on store_change for each row execute function refuse_change();
