-- The engine that a list number is for helps to identify it: its displacement, L, as its newest sheet has it. Of a taught unit it is
-- only lent by its family, and left out.
update list_number set features = features || jsonb_build_object('engineL', newest.litres)
  from (
    select distinct on (list_number) list_number, (sheet->'engine'->>'displacementL')::float8 as litres, sheet ? 'taught' as taught
      from sheet_revision where kind = 'spec' order by list_number, number desc
  ) newest
 where newest.list_number = list_number.list_number and not newest.taught and newest.litres is not null;
