-- Public halves of the keys this shop has sealed with; the private one is a file outside the database.
CREATE TABLE seal_keys (
  key_id         CHAR(16) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  -- Ed25519, 32 bytes, base64url.
  public_key     CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  made_at        DATETIME(3)   NOT NULL,
  retired_at     DATETIME(3)   NULL
) ENGINE=InnoDB;

-- Keys of other shops, as a lead has taken them in.
CREATE TABLE known_shops (
  key_id         CHAR(16) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  public_key     CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name           VARCHAR(120)  NOT NULL,
  added_by       UUID          NOT NULL,
  added_at       DATETIME(3)   NOT NULL,
  CONSTRAINT known_shops_person FOREIGN KEY (added_by) REFERENCES people (id)
) ENGINE=InnoDB;

-- Sheets as they were when their job was signed.
CREATE TABLE sheets (
  job_id         UUID          NOT NULL,
  -- Number of the signature's entry.
  seq            INT           NOT NULL,
  sheet          JSON          NOT NULL,
  pdf            MEDIUMBLOB    NOT NULL,
  PRIMARY KEY (job_id, seq),
  CONSTRAINT sheets_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB;

-- People of other shops are names in the books that came from there, never accounts here.
ALTER TABLE people ADD COLUMN shop VARCHAR(120) NULL;
UPDATE people SET shop = 'another shop' WHERE secret_hash IS NULL AND handle LIKE 'import-%';
