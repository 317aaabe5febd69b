-- Room in the shop's warm tank, litres, hung clear of its bottom.
alter table shop add column tank_litres double precision not null default 6 check (tank_litres > 0);
