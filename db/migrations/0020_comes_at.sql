-- A car that is not here before then; null: it stands in the yard.
ALTER TABLE bay_slots ADD COLUMN IF NOT EXISTS comes_at DATETIME(3) NULL;
