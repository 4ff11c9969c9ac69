-- The work before the torque round: what was found, decided, planned, taken apart and put together.

-- Append-only; for each kind and subject the last entry counts. What a kind holds is checked at the edge.
CREATE TABLE work_entries (
  id             UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  seq            INT           NOT NULL,
  kind           VARCHAR(20)   NOT NULL,
  subject        VARCHAR(120)  NOT NULL,
  data           JSON          NOT NULL,
  person_id      UUID          NOT NULL,
  taken_at       DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY work_entries_seq (job_id, seq),
  KEY work_entries_kind (kind, created_at),
  CONSTRAINT work_entries_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
  CONSTRAINT work_entries_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;

CREATE TABLE photos (
  id             UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  corner         ENUM('FL','FR','RL','RR') NULL,
  -- What it shows: a point of the inspection, a step of the work.
  subject        VARCHAR(120)  NOT NULL DEFAULT '',
  note           VARCHAR(500)  NOT NULL DEFAULT '',
  width          INT           NOT NULL,
  height         INT           NOT NULL,
  -- Made small and rid of everything a camera writes into it.
  jpeg           MEDIUMBLOB    NOT NULL,
  withdrawn      BOOLEAN       NOT NULL DEFAULT FALSE,
  person_id      UUID          NOT NULL,
  taken_at       DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY photos_job (job_id, created_at),
  CONSTRAINT photos_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
  CONSTRAINT photos_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;

-- Labour rate, cost of a waiting lift and the like; NULL: the usual of the program.
ALTER TABLE shop ADD COLUMN costs JSON NULL;
ALTER TABLE shop ADD COLUMN bays TINYINT NOT NULL DEFAULT 2;

-- Where and when a car stands in a bay.
CREATE TABLE bay_slots (
  job_id         UUID          NOT NULL PRIMARY KEY,
  bay            TINYINT       NOT NULL,
  starts_at      DATETIME(3)   NOT NULL,
  minutes        INT           NOT NULL,
  version        INT           NOT NULL DEFAULT 1,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY bay_slots_time (starts_at),
  CONSTRAINT bay_slots_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE
) ENGINE=InnoDB;
