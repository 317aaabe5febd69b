-- 20,000 list numbers: which others are merged into one was looked for by reading all of them, once for each.
create index list_number_merged_into on list_number (merged_into) where merged_into is not null;
create index job_returned_by_list_number on job (list_number) where status = 'returned';

-- What a sheet that went out says is sealed by the hash of its document with its keys in order, whichever way it was kept: what comes
-- back with another document is refused. Older ones are sealed at the next start.
alter table return_sheet add column sealed text;

-- Which list numbers have a part in their newest build sheet: gone through for every question about parts, it took a second.
create table part_use (
  part text not null,
  list_number text not null references list_number,
  primary key (part, list_number)
);
create index part_use_list_number on part_use (list_number);
create function note_part_use() returns trigger language plpgsql as $$
begin
  if new.kind = 'build' and not exists (
    select from sheet_revision where list_number = new.list_number and kind = 'build' and number > new.number
  ) then
    delete from part_use where list_number = new.list_number;
    insert into part_use (part, list_number)
      select distinct position->>'part', new.list_number from jsonb_array_elements(new.sheet->'positions') as position
       where position->>'part' is not null;
  end if;
  return null;
end $$;
create trigger sheet_revision_notes_part_use after insert on sheet_revision for each row execute function note_part_use();
insert into part_use (part, list_number)
  select distinct position->>'part', list_number
    from (select distinct on (list_number) list_number, sheet from sheet_revision where kind = 'build' order by list_number, number desc) newest,
         jsonb_array_elements(sheet->'positions') as position
   where position->>'part' is not null;

-- What complaints came of is counted over all jobs: by the few entries that say so, not by reading every log.
create index entry_answers on entry (job, seq) where kind = 'complaint.answered';
