-- The zone and the clock that times are told in, and the order in which the corners are walked; null: the server's zone.
ALTER TABLE shop ADD COLUMN IF NOT EXISTS time_zone VARCHAR(64) NULL;

ALTER TABLE shop ADD COLUMN IF NOT EXISTS hours CHAR(2) NOT NULL DEFAULT '24';

ALTER TABLE shop ADD COLUMN IF NOT EXISTS walk CHAR(11) NOT NULL DEFAULT 'FL RL RR FR';
