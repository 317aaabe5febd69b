-- What an entry's window had seen when it was made: evidence is of that moment.
alter table entry add column saw integer check (saw >= 0);

-- When a gauge was last known to be good, and when it was found off: what it showed in between says nothing.
create table gauge_check (
  gauge text primary key,
  good_on date,
  off_on date,
  check (off_on is null or good_on is null or good_on <= off_on)
);
