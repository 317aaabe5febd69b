-- Who corrected a sheet in the library, and why; empty where it came with a catalogue.
alter table sheet_revision add column by text not null default '';
alter table sheet_revision add column why text not null default '';
