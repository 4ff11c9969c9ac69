-- Tablets on which somebody of the shop has signed in: their wrong tries are counted apart from strangers'.
CREATE TABLE IF NOT EXISTS known_tablets (
  token_hash    BINARY(32)    NOT NULL PRIMARY KEY,
  seen_at       DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
) ENGINE=InnoDB;

-- A lead's second way in.
ALTER TABLE people ADD COLUMN IF NOT EXISTS password_hash VARCHAR(255) NULL AFTER secret_hash;
