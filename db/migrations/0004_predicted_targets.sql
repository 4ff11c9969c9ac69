-- A target may be predicted from the new spring; what it was predicted from stays with it.
ALTER TABLE targets
  MODIFY source ENUM('maker','predicted','chosen') NOT NULL,
  ADD COLUMN prediction JSON NULL;
