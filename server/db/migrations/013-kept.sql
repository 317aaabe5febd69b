-- 20,000 list numbers: which others are merged into one was looked for by reading all of them, once for each.
create index list_number_merged_into on list_number (merged_into) where merged_into is not null;
create index job_returned_by_list_number on job (list_number) where status = 'returned';

-- What a sheet that went out says is sealed by the hash of its document with its keys in order, whichever way it was kept: what comes
-- back with another document is refused. Older ones are sealed at the next start.
alter table return_sheet add column sealed text;
