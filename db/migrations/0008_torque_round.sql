-- The torque round: programmes and threads of joints, single steps of a programme, proof of load,
-- the shop's wrenches, and devices that report readings by themselves.

ALTER TABLE shop ADD COLUMN reset_above_mm DOUBLE NOT NULL DEFAULT 10;
-- As the shop had it when the job was opened; a change of the shop's limit changes no old job.
ALTER TABLE jobs ADD COLUMN reset_above_mm DOUBLE NOT NULL DEFAULT 10;
-- Further measures of the tape, by the core's names of them. NULL: the layout's assumptions.
ALTER TABLE axles ADD COLUMN tape JSON NULL;
-- Hardpoints of the left side, where they are known: they go before the tape.
ALTER TABLE axles ADD COLUMN hardpoints JSON NULL;

ALTER TABLE joints
  ADD COLUMN programme JSON NULL,
  ADD COLUMN thread    JSON NULL,
  ADD COLUMN place     VARCHAR(20) NULL,
  -- False: not undone in this job.
  ADD COLUMN loosened  BOOLEAN NOT NULL DEFAULT TRUE;

ALTER TABLE torques
  -- Which step of the joint's programme.
  ADD COLUMN action            INT          NOT NULL DEFAULT 0,
  ADD COLUMN angle_deg         DOUBLE       NULL,
  ADD COLUMN skip_reason       VARCHAR(500) NULL,
  -- No foreign key: a job's file may come from a shop with another rack.
  ADD COLUMN wrench_id         UUID         NULL,
  -- What the wrench was set to or showed, where an adapter makes that another number.
  ADD COLUMN setting_nm        DOUBLE       NULL,
  ADD COLUMN override_reason   VARCHAR(500) NULL,
  ADD COLUMN device_reading_id UUID         NULL,
  ADD KEY torques_wrench (wrench_id, taken_at);

-- Looks at a loaded corner: append-only like readings and torques, and in the same chain.
CREATE TABLE loadings (
  id             UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  seq            INT           NOT NULL,
  corner         ENUM('FL','FR','RL','RR') NOT NULL,
  method         ENUM('on-wheels','on-stands','jack-to-height') NOT NULL,
  hub_to_arch_mm DOUBLE        NOT NULL,
  entered        VARCHAR(60)   NOT NULL,
  -- At the opposite corner, before the jack took weight and now: has the body moved?
  opposite_before_mm DOUBLE    NULL,
  opposite_now_mm    DOUBLE    NULL,
  device_reading_id  UUID      NULL,
  person_id      UUID          NOT NULL,
  taken_at       DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY loadings_seq (job_id, seq),
  CONSTRAINT loadings_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
  CONSTRAINT loadings_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;

ALTER TABLE record_chain MODIFY kind ENUM('reading','torque','loading') NOT NULL;

CREATE TABLE wrenches (
  id             UUID          NOT NULL PRIMARY KEY,
  name           VARCHAR(80)   NOT NULL,
  kind           ENUM('click','dial','beam','electronic') NOT NULL,
  lowest_nm      DOUBLE        NOT NULL,
  highest_nm     DOUBLE        NOT NULL,
  length_mm      DOUBLE        NULL,
  retired        BOOLEAN       NOT NULL DEFAULT FALSE,
  entered        JSON          NOT NULL,
  version        INT           NOT NULL DEFAULT 1,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY wrenches_name (name)
) ENGINE=InnoDB;

CREATE TABLE wrench_calibrations (
  id             UUID          NOT NULL PRIMARY KEY,
  wrench_id      UUID          NOT NULL,
  calibrated_on  DATE          NOT NULL,
  -- Set value and reference reading at each point, N·m.
  readings       JSON          NOT NULL,
  passed         BOOLEAN       NOT NULL,
  note           VARCHAR(500)  NOT NULL DEFAULT '',
  person_id      UUID          NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY wrench_calibrations_day (wrench_id, calibrated_on),
  CONSTRAINT wrench_calibrations_wrench FOREIGN KEY (wrench_id) REFERENCES wrenches (id),
  CONSTRAINT wrench_calibrations_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;

CREATE TABLE devices (
  id             UUID          NOT NULL PRIMARY KEY,
  name           VARCHAR(80)   NOT NULL,
  kind           ENUM('wrench','height-gauge','wheel-scales') NOT NULL,
  -- The wrench of the rack that this device is.
  wrench_id      UUID          NULL,
  token_hash     CHAR(64) CHARACTER SET ascii NOT NULL,
  active         BOOLEAN       NOT NULL DEFAULT TRUE,
  -- Number of the last reading that was taken.
  last_seq       BIGINT        NOT NULL DEFAULT 0,
  -- What a person has asked of it: where its next reading belongs.
  task           JSON          NULL,
  seen_at        DATETIME(3)   NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY devices_name (name),
  UNIQUE KEY devices_token (token_hash),
  CONSTRAINT devices_wrench FOREIGN KEY (wrench_id) REFERENCES wrenches (id)
) ENGINE=InnoDB;

-- Every reading a device has sent, once, as it was sent.
CREATE TABLE device_readings (
  id             UUID          NOT NULL PRIMARY KEY,
  device_id      UUID          NOT NULL,
  seq            BIGINT        NOT NULL,
  job_id         UUID          NULL,
  joint_id       UUID          NULL,
  state          ENUM('placed','held','set-aside') NOT NULL,
  -- Why it is held, or why a person set it aside.
  reason         VARCHAR(500)  NOT NULL DEFAULT '',
  reading        JSON          NOT NULL,
  -- What the core says of a wrench's trace.
  verdict        JSON          NULL,
  -- The row of the record it became.
  row_id         UUID          NULL,
  person_id      UUID          NULL,
  taken_at       DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY device_readings_seq (device_id, seq),
  KEY device_readings_job (job_id, created_at),
  KEY device_readings_held (state, created_at),
  CONSTRAINT device_readings_device FOREIGN KEY (device_id) REFERENCES devices (id)
) ENGINE=InnoDB;
