-- What the shop said of itself, each time it was changed: the newest is what holds, older ones stay. Versions guard two editors.
create table shop_change (
  version integer primary key check (version > 0),
  at timestamptz(3) not null,
  by text not null check (by <> ''),
  settings jsonb not null
);
create trigger shop_change_is_immutable before update on shop_change for each row execute function refuse_change();
