-- What the day's cars share: lifts among the bays, and people.
ALTER TABLE shop ADD COLUMN lifts TINYINT NOT NULL DEFAULT 1;
ALTER TABLE shop ADD COLUMN technicians TINYINT NOT NULL DEFAULT 2;
