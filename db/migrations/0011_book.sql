-- A job is its book: entries that are only ever added to, each with the hash of the one before it in its
-- own. Beside it small tables that are made of it and can be made anew (./vane rebuild).

CREATE TABLE entries (
  job_id         UUID          NOT NULL,
  seq            INT           NOT NULL,
  id             UUID          NOT NULL,
  kind           VARCHAR(20)   NOT NULL,
  subject        VARCHAR(120)  NOT NULL,
  person_id      UUID          NOT NULL,
  -- The tablet or instrument it was entered at.
  device         VARCHAR(60)   NULL,
  entered_at     DATETIME(3)   NOT NULL,
  stored_at      DATETIME(3)   NOT NULL,
  -- Last entry that the writer had before this one.
  seen           INT           NOT NULL,
  corrects       UUID          NULL,
  data           JSON          NOT NULL,
  hash           CHAR(64) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (job_id, seq),
  UNIQUE KEY entries_id (id),
  CONSTRAINT entries_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT entries_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;

-- Number of the last entry; the row is held while one is added.
ALTER TABLE jobs ADD COLUMN seq INT NOT NULL DEFAULT 0;

CREATE TABLE job_numbers (
  year           SMALLINT      NOT NULL PRIMARY KEY,
  last           INT           NOT NULL
) ENGINE=InnoDB;

-- What lists show of a job.
CREATE TABLE job_lines (
  job_id         UUID          NOT NULL PRIMARY KEY,
  vehicle_id     UUID          NOT NULL,
  plate          VARCHAR(20)   NOT NULL,
  car            VARCHAR(140)  NOT NULL,
  owner          VARCHAR(120)  NOT NULL,
  complaint      TEXT          NOT NULL,
  corners        VARCHAR(12)   NOT NULL,
  technician_id  UUID          NULL,
  stage          VARCHAR(20)   NOT NULL,
  owed           INT           NOT NULL,
  -- Of its whole order of work, at the usual pace; NULL: nothing is planned.
  minutes        INT           NULL,
  minutes_left   INT           NULL,
  soak_hours     INT           NOT NULL,
  odometer_km    DOUBLE        NULL,
  wheel_torque_nm DOUBLE       NULL,
  opened_at      DATETIME(3)   NOT NULL,
  signed_at      DATETIME(3)   NULL,
  closed         BOOLEAN       NOT NULL,
  -- Its wheels were off and have not been checked since.
  recheck        BOOLEAN       NOT NULL,
  KEY job_lines_list (closed, opened_at DESC, job_id DESC),
  KEY job_lines_car (vehicle_id, closed, opened_at DESC, job_id DESC),
  KEY job_lines_recheck (recheck, signed_at, job_id),
  CONSTRAINT job_lines_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB;

-- What a job is found by, in small letters and without marks.
CREATE TABLE job_words (
  word           VARCHAR(40)   NOT NULL,
  job_id         UUID          NOT NULL,
  PRIMARY KEY (word, job_id),
  KEY job_words_job (job_id),
  CONSTRAINT job_words_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB;

-- How often a wrench was pulled; its calibration counts from a day.
CREATE TABLE wrench_pulls (
  wrench_id      UUID          NOT NULL,
  day            DATE          NOT NULL,
  pulls          INT           NOT NULL,
  PRIMARY KEY (wrench_id, day)
) ENGINE=InnoDB;

-- What the shop's own pace is learned from: ln(taken / expected), in millionths so that sums are exact.
CREATE TABLE step_times (
  kind           VARCHAR(40)   NOT NULL PRIMARY KEY,
  steps          INT           NOT NULL,
  log_ratios     BIGINT        NOT NULL
) ENGINE=InnoDB;

-- The torque last specified for a joint of this car, and of this model.
CREATE TABLE specifications (
  scope          ENUM('car','model') NOT NULL,
  -- The car's id; make and model.
  scope_key      VARCHAR(130)  NOT NULL,
  axle           ENUM('front','rear') NOT NULL,
  layout         VARCHAR(40)   NOT NULL,
  joint_key      VARCHAR(60)   NOT NULL,
  model_year     SMALLINT      NULL,
  specification  JSON          NOT NULL,
  job_id         UUID          NOT NULL,
  entry_id       UUID          NOT NULL,
  stored_at      DATETIME(3)   NOT NULL,
  PRIMARY KEY (scope, scope_key, axle, layout, joint_key)
) ENGINE=InnoDB;

CREATE TABLE car_notes (
  entry_id       UUID          NOT NULL PRIMARY KEY,
  vehicle_id     UUID          NOT NULL,
  job_id         UUID          NOT NULL,
  person_id      UUID          NOT NULL,
  text           VARCHAR(500)  NOT NULL,
  entered_at     DATETIME(3)   NOT NULL,
  KEY car_notes_car (vehicle_id, entered_at)
) ENGINE=InnoDB;

-- Where a car's measures were last taken.
ALTER TABLE vehicles ADD COLUMN measured_in UUID NULL;

CREATE TABLE pictures (
  photo_id       UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  digest         CHAR(64) CHARACTER SET ascii NOT NULL,
  jpeg           MEDIUMBLOB    NOT NULL,
  KEY pictures_job (job_id),
  CONSTRAINT pictures_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB;
