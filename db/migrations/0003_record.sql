-- The record of a job: heights, joints, torques, signature. Readings and torques are only ever added
-- to; a later row corrects or withdraws an earlier one by naming it.

CREATE TABLE height_sets (
  job_id         UUID          NOT NULL,
  phase          ENUM('before','after') NOT NULL,
  conditions     JSON          NOT NULL,
  resolution_mm  DOUBLE  NOT NULL DEFAULT 1,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (job_id, phase),
  CONSTRAINT height_sets_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE height_readings (
  id             UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  -- Order of writing within the job; a retry keeps its place.
  seq            INT           NOT NULL,
  phase          ENUM('before','after') NOT NULL,
  corner         ENUM('FL','FR','RL','RR') NOT NULL,
  school         VARCHAR(20)   NOT NULL,
  height_mm      DOUBLE  NULL,
  entered        VARCHAR(60)   NOT NULL,
  corrects_id    UUID          NULL,
  withdrawn      BOOLEAN       NOT NULL DEFAULT FALSE,
  person_id      UUID          NOT NULL,
  taken_at       DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY height_readings_seq (job_id, seq),
  CONSTRAINT height_readings_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
  CONSTRAINT height_readings_corrects FOREIGN KEY (corrects_id) REFERENCES height_readings (id),
  CONSTRAINT height_readings_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;

-- What the job adds to an axle's reading to get hub to arch; only for the other schools.
CREATE TABLE school_offsets (
  job_id         UUID          NOT NULL,
  axle           ENUM('front','rear') NOT NULL,
  offset_mm      DOUBLE  NOT NULL,
  entered        VARCHAR(60)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (job_id, axle),
  CONSTRAINT school_offsets_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE
) ENGINE=InnoDB;

-- A target chosen by hand; without a row the maker's height or the height before stands in.
CREATE TABLE targets (
  job_id         UUID          NOT NULL,
  corner         ENUM('FL','FR','RL','RR') NOT NULL,
  height_mm      DOUBLE  NOT NULL,
  entered        VARCHAR(60)   NOT NULL,
  source         ENUM('maker','chosen') NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (job_id, corner),
  CONSTRAINT targets_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE joints (
  id             UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  corner         ENUM('FL','FR','RL','RR') NOT NULL,
  position       INT           NOT NULL,
  name           VARCHAR(120)  NOT NULL,
  kind           VARCHAR(20)   NOT NULL,
  rule           VARCHAR(20)   NOT NULL,
  torque_nm      DOUBLE  NULL,
  torque_entered VARCHAR(60)   NULL,
  torque_source  ENUM('maker','shop','estimated') NULL,
  one_time       BOOLEAN       NOT NULL DEFAULT FALSE,
  note           VARCHAR(500)  NOT NULL DEFAULT '',
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY joints_job (job_id, corner, position),
  CONSTRAINT joints_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE torques (
  id             UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  seq            INT           NOT NULL,
  joint_id       UUID          NOT NULL,
  torque_nm      DOUBLE  NULL,
  entered        VARCHAR(60)   NOT NULL,
  -- A cushion mount is recorded as seen, without a number.
  seen           VARCHAR(20)   NULL,
  wrench         VARCHAR(80)   NOT NULL DEFAULT '',
  car_state      ENUM('hanging','loaded') NOT NULL,
  method         ENUM('on-wheels','on-stands','jack-to-height') NULL,
  hub_to_arch_mm DOUBLE  NULL,
  hub_to_arch_entered VARCHAR(60) NULL,
  target_hub_to_arch_mm DOUBLE NULL,
  -- What the bush computation answered when the row was written.
  bush           JSON          NULL,
  corrects_id    UUID          NULL,
  withdrawn      BOOLEAN       NOT NULL DEFAULT FALSE,
  person_id      UUID          NOT NULL,
  taken_at       DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY torques_seq (job_id, seq),
  CONSTRAINT torques_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
  CONSTRAINT torques_joint FOREIGN KEY (joint_id) REFERENCES joints (id),
  CONSTRAINT torques_corrects FOREIGN KEY (corrects_id) REFERENCES torques (id),
  CONSTRAINT torques_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;

CREATE TABLE sign_offs (
  id             UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  person_id      UUID          NOT NULL,
  -- Written by a lead who signs with something still owed.
  override_reason VARCHAR(1000) NULL,
  owed           JSON          NOT NULL,
  signed_at      DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY sign_offs_job (job_id),
  CONSTRAINT sign_offs_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
  CONSTRAINT sign_offs_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;
