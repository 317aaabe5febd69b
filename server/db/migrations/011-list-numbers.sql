-- A unit that was taught twice is merged: the number stays for the jobs that stand on its sheets, and is no candidate any more.
alter table list_number add column merged_into text references list_number;

-- What was done to a list number as a whole: copied, superseded, merged, parted again. Its sheets have revisions of their own.
create table list_number_change (
  list_number text not null references list_number,
  number integer not null check (number > 0),
  at timestamptz(3) not null,
  by text not null check (by <> ''),
  what text not null,
  why text not null,
  primary key (list_number, number)
);
create trigger list_number_change_is_immutable before update on list_number_change for each row execute function refuse_change();
