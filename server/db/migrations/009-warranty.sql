-- How long the shop stands by its work, days; 0 where it says nothing of it.
alter table shop add column warranty_days integer not null default 90 check (warranty_days between 0 and 3650);
