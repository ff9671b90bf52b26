-- Up Migration
-- When chance comes in is now a part of the order of all stages.
update schools set settings = jsonb_set(
    settings #- '{customs,chance}',
    '{customs,stages}',
    '["parts", "pairs", "chains", "variety", "uncertainty", "tempo", "force"]'
  )
  where settings #>> '{customs,chance}' = 'early';
update schools set settings = settings #- '{customs,chance}' where settings #> '{customs,chance}' is not null;

-- Down Migration
update schools set settings = settings #- '{customs,stages}';
