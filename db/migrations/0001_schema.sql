-- Every table. A change of the schema is another file here, with the next number; this one is never changed once a
-- shop has it.

CREATE TABLE shop (
  id                 TINYINT       NOT NULL PRIMARY KEY CHECK (id = 1),
  name               VARCHAR(120)  NOT NULL,
  units              JSON          NOT NULL,
  twist_set_deg      DECIMAL(4,1)  NOT NULL DEFAULT 2.0,
  twist_advised_deg  DECIMAL(4,1)  NOT NULL DEFAULT 5.0,
  version            INT           NOT NULL DEFAULT 1,
  created_at         DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  reset_above_mm     DOUBLE        NOT NULL DEFAULT 10,
  -- Labour rate, cost of a waiting lift and the like; NULL: the usual of the program.
  costs              JSON          NULL,
  bays               TINYINT       NOT NULL DEFAULT 2,
  -- What the day's cars share: lifts among the bays, and people.
  lifts              TINYINT       NOT NULL DEFAULT 1,
  technicians        TINYINT       NOT NULL DEFAULT 2,
  -- The zone and the clock that times are told in, and the order in which the corners are walked; null: the server's zone.
  time_zone          VARCHAR(64)   NULL,
  hours              CHAR(2)       NOT NULL DEFAULT '24',
  walk               CHAR(11)      NOT NULL DEFAULT 'FL RL RR FR'
) ENGINE=InnoDB;

CREATE TABLE people (
  id             UUID          NOT NULL PRIMARY KEY,
  handle         VARCHAR(40)   NOT NULL,
  name           VARCHAR(120)  NOT NULL,
  role           ENUM('technician','lead') NOT NULL,
  -- NULL: known from an imported job, cannot sign in.
  secret_hash    VARCHAR(255)  NULL,
  -- A lead's second way in.
  password_hash  VARCHAR(255)  NULL,
  active         BOOLEAN       NOT NULL DEFAULT TRUE,
  units          JSON          NULL,
  theme          ENUM('system','light','dark') NOT NULL DEFAULT 'system',
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  -- People of other shops are names in the books that came from there, never accounts here.
  shop           VARCHAR(120)  NULL,
  UNIQUE KEY people_handle (handle),
  KEY people_name (name)
) ENGINE=InnoDB;

CREATE TABLE sessions (
  -- SHA-256 of the cookie's token: a stolen dump signs nobody in.
  token_hash  BINARY(32)    NOT NULL PRIMARY KEY,
  person_id   UUID          NOT NULL,
  expires_at  DATETIME(3)   NOT NULL,
  created_at  DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY sessions_expires (expires_at),
  CONSTRAINT sessions_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
) ENGINE=InnoDB;

-- Tablets on which somebody of the shop has signed in: their wrong tries are counted apart from strangers'.
CREATE TABLE known_tablets (
  token_hash  BINARY(32)    NOT NULL PRIMARY KEY,
  seen_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
) ENGINE=InnoDB;

-- Kept by the rate limiter, whose package sets the columns: failed sign-ins per person and address.
CREATE TABLE sign_in_attempts (
  `key`   VARCHAR(255)  NOT NULL PRIMARY KEY,
  points  INT           NOT NULL DEFAULT 0,
  expire  BIGINT        UNSIGNED NULL
) ENGINE=InnoDB;

CREATE TABLE vehicles (
  id             UUID          NOT NULL PRIMARY KEY,
  plate          VARCHAR(20)   NOT NULL,
  vin            CHAR(17)      NULL,
  make           VARCHAR(60)   NOT NULL,
  model          VARCHAR(60)   NOT NULL,
  model_year     SMALLINT      NULL,
  owner          VARCHAR(120)  NOT NULL DEFAULT '',
  wheelbase_mm   DOUBLE        NOT NULL,
  modifications  TEXT          NOT NULL DEFAULT '',
  -- Dimensions as they were typed, by field name.
  entered        JSON          NOT NULL,
  version        INT           NOT NULL DEFAULT 1,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  updated_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3) ON UPDATE CURRENT_TIMESTAMP(3),
  -- Where a car's measures were last taken.
  measured_in    UUID          NULL,
  -- Of the customer.
  phone          VARCHAR(40)   NOT NULL DEFAULT '',
  UNIQUE KEY vehicles_plate (plate),
  KEY vehicles_model (make, model),
  KEY vehicles_owner (owner),
  KEY vehicles_updated (updated_at)
) ENGINE=InnoDB;

-- One row an axle: how it is built, and the geometry that was taped. NULL: the layout's assumption.
CREATE TABLE axles (
  vehicle_id                UUID          NOT NULL,
  axle                      ENUM('front','rear') NOT NULL,
  layout                    VARCHAR(40)   NOT NULL,
  track_mm                  DOUBLE        NOT NULL,
  tyre_size                 VARCHAR(40)   NOT NULL DEFAULT '',
  arm_length_mm             DOUBLE        NULL,
  outer_below_inner_mm      DOUBLE        NULL,
  reference_hub_to_arch_mm  DOUBLE        NULL,
  wheel_rate_n_per_mm       DOUBLE        NULL,
  maker_height_mm           DOUBLE        NULL,
  maker_height_school       VARCHAR(20)   NULL,
  created_at                DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  -- Further measures of the tape, by the core's names of them. NULL: the layout's assumptions.
  tape                      JSON          NULL,
  -- Hardpoints of the left side, where they are known: they go before the tape.
  hardpoints                JSON          NULL,
  PRIMARY KEY (vehicle_id, axle),
  CONSTRAINT axles_vehicle FOREIGN KEY (vehicle_id) REFERENCES vehicles (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE jobs (
  id          UUID          NOT NULL PRIMARY KEY,
  number      VARCHAR(20)   NOT NULL,
  vehicle_id  UUID          NOT NULL,
  created_at  DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  -- Number of the last entry; the row is held while one is added.
  seq         INT           NOT NULL DEFAULT 0,
  UNIQUE KEY jobs_number (number),
  KEY jobs_car (vehicle_id),
  CONSTRAINT jobs_vehicle FOREIGN KEY (vehicle_id) REFERENCES vehicles (id)
) ENGINE=InnoDB;

CREATE TABLE job_numbers (
  year  SMALLINT      NOT NULL PRIMARY KEY,
  last  INT           NOT NULL
) ENGINE=InnoDB;

-- A job is its book: entries that are only ever added to, each with the hash of the one before it in its own.
-- Lists, racks and what the shop learned are made of them and can be made anew (./vane rebuild).
CREATE TABLE entries (
  job_id      UUID          NOT NULL,
  seq         INT           NOT NULL,
  id          UUID          NOT NULL,
  kind        VARCHAR(20)   NOT NULL,
  subject     VARCHAR(120)  NOT NULL,
  person_id   UUID          NOT NULL,
  -- A lead sent it in the name of whoever made it.
  vouched_by  UUID          NULL,
  -- The tablet or instrument it was entered at.
  device      VARCHAR(60)   NULL,
  entered_at  DATETIME(3)   NOT NULL,
  stored_at   DATETIME(3)   NOT NULL,
  -- Last entry that the writer had before this one.
  seen        INT           NOT NULL,
  corrects    UUID          NULL,
  data        JSON          NOT NULL,
  hash        CHAR(64) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (job_id, seq),
  UNIQUE KEY entries_id (id),
  CONSTRAINT entries_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT entries_person FOREIGN KEY (person_id) REFERENCES people (id),
  CONSTRAINT entries_vouched FOREIGN KEY (vouched_by) REFERENCES people (id)
) ENGINE=InnoDB;

-- What lists show of a job.
CREATE TABLE job_lines (
  job_id           UUID          NOT NULL PRIMARY KEY,
  vehicle_id       UUID          NOT NULL,
  plate            VARCHAR(20)   NOT NULL,
  car              VARCHAR(140)  NOT NULL,
  owner            VARCHAR(120)  NOT NULL,
  complaint        TEXT          NOT NULL,
  corners          VARCHAR(12)   NOT NULL,
  technician_id    UUID          NULL,
  stage            VARCHAR(20)   NOT NULL,
  owed             INT           NOT NULL,
  -- Of its whole order of work, at the usual pace; NULL: nothing is planned.
  minutes          INT           NULL,
  minutes_left     INT           NULL,
  soak_hours       INT           NOT NULL,
  odometer_km      DOUBLE        NULL,
  wheel_torque_nm  DOUBLE        NULL,
  opened_at        DATETIME(3)   NOT NULL,
  signed_at        DATETIME(3)   NULL,
  closed           BOOLEAN       NOT NULL,
  -- Its wheels were off and have not been checked since.
  recheck          BOOLEAN       NOT NULL,
  -- What the desk needs to see of a job at a glance: when it is promised, what it waits for, who did what last.
  promised_at      DATETIME(3)   NULL,
  parts_waiting    INT           NOT NULL DEFAULT 0,
  last_person_id   UUID          NULL,
  last_what        VARCHAR(120)  NOT NULL DEFAULT '',
  last_at          DATETIME(3)   NULL,
  phone            VARCHAR(40)   NOT NULL DEFAULT '',
  KEY job_lines_list (closed, opened_at DESC, job_id DESC),
  KEY job_lines_car (vehicle_id, closed, opened_at DESC, job_id DESC),
  KEY job_lines_recheck (recheck, signed_at, job_id),
  CONSTRAINT job_lines_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB;

-- What a job is found by, in small letters and without marks.
CREATE TABLE job_words (
  word    VARCHAR(40)   NOT NULL,
  job_id  UUID          NOT NULL,
  PRIMARY KEY (word, job_id),
  CONSTRAINT job_words_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB;

CREATE TABLE pictures (
  photo_id  UUID          NOT NULL PRIMARY KEY,
  job_id    UUID          NOT NULL,
  digest    CHAR(64) CHARACTER SET ascii NOT NULL,
  jpeg      MEDIUMBLOB    NOT NULL,
  CONSTRAINT pictures_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB;

-- Sheets as they were when their job was signed.
CREATE TABLE sheets (
  job_id  UUID          NOT NULL,
  -- Number of the signature's entry.
  seq     INT           NOT NULL,
  sheet   JSON          NOT NULL,
  pdf     MEDIUMBLOB    NOT NULL,
  PRIMARY KEY (job_id, seq),
  CONSTRAINT sheets_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB;

-- Public halves of the keys this shop has sealed with; the private one is a file outside the database.
CREATE TABLE seal_keys (
  key_id      CHAR(16) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  -- Ed25519, 32 bytes, base64url.
  public_key  CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  made_at     DATETIME(3)   NOT NULL,
  retired_at  DATETIME(3)   NULL
) ENGINE=InnoDB;

-- Keys of other shops, as a lead has taken them in.
CREATE TABLE known_shops (
  key_id      CHAR(16) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  public_key  CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name        VARCHAR(120)  NOT NULL,
  added_by    UUID          NOT NULL,
  added_at    DATETIME(3)   NOT NULL,
  CONSTRAINT known_shops_person FOREIGN KEY (added_by) REFERENCES people (id)
) ENGINE=InnoDB;

CREATE TABLE wrenches (
  id          UUID          NOT NULL PRIMARY KEY,
  name        VARCHAR(80)   NOT NULL,
  kind        ENUM('click','dial','beam','electronic') NOT NULL,
  lowest_nm   DOUBLE        NOT NULL,
  highest_nm  DOUBLE        NOT NULL,
  length_mm   DOUBLE        NULL,
  retired     BOOLEAN       NOT NULL DEFAULT FALSE,
  entered     JSON          NOT NULL,
  version     INT           NOT NULL DEFAULT 1,
  created_at  DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
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
  CONSTRAINT wrench_calibrations_person FOREIGN KEY (person_id) REFERENCES people (id),
  CONSTRAINT wrench_calibrations_wrench FOREIGN KEY (wrench_id) REFERENCES wrenches (id)
) ENGINE=InnoDB;

-- How often a wrench was pulled; its calibration counts from a day.
CREATE TABLE wrench_pulls (
  wrench_id  UUID          NOT NULL,
  day        DATE          NOT NULL,
  pulls      INT           NOT NULL,
  PRIMARY KEY (wrench_id, day)
) ENGINE=InnoDB;

CREATE TABLE devices (
  id          UUID          NOT NULL PRIMARY KEY,
  name        VARCHAR(80)   NOT NULL,
  kind        ENUM('wrench','height-gauge','wheel-scales') NOT NULL,
  -- The wrench of the rack that this device is.
  wrench_id   UUID          NULL,
  token_hash  CHAR(64) CHARACTER SET ascii NOT NULL,
  active      BOOLEAN       NOT NULL DEFAULT TRUE,
  -- Number of the last reading that was taken.
  last_seq    BIGINT        NOT NULL DEFAULT 0,
  -- What a person has asked of it: where its next reading belongs.
  task        JSON          NULL,
  seen_at     DATETIME(3)   NULL,
  created_at  DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY devices_name (name),
  UNIQUE KEY devices_token (token_hash),
  CONSTRAINT devices_wrench FOREIGN KEY (wrench_id) REFERENCES wrenches (id)
) ENGINE=InnoDB;

-- Every reading a device has sent, once, as it was sent.
CREATE TABLE device_readings (
  id          UUID          NOT NULL PRIMARY KEY,
  device_id   UUID          NOT NULL,
  seq         BIGINT        NOT NULL,
  job_id      UUID          NULL,
  joint_id    UUID          NULL,
  state       ENUM('placed','held','set-aside') NOT NULL,
  -- Why it is held, or why a person set it aside.
  reason      VARCHAR(500)  NOT NULL DEFAULT '',
  reading     JSON          NOT NULL,
  -- What the core says of a wrench's trace.
  verdict     JSON          NULL,
  -- The row of the record it became.
  row_id      UUID          NULL,
  person_id   UUID          NULL,
  taken_at    DATETIME(3)   NOT NULL,
  created_at  DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY device_readings_seq (device_id, seq),
  KEY device_readings_job (job_id, created_at),
  KEY device_readings_held (state, created_at),
  CONSTRAINT device_readings_device FOREIGN KEY (device_id) REFERENCES devices (id)
) ENGINE=InnoDB;

-- Where and when a car stands in a bay.
CREATE TABLE bay_slots (
  job_id      UUID          NOT NULL PRIMARY KEY,
  bay         TINYINT       NOT NULL,
  starts_at   DATETIME(3)   NOT NULL,
  minutes     INT           NOT NULL,
  version     INT           NOT NULL DEFAULT 1,
  created_at  DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  -- A car that is not here before then; null: it stands in the yard.
  comes_at    DATETIME(3)   NULL,
  KEY bay_slots_time (starts_at),
  CONSTRAINT bay_slots_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE
) ENGINE=InnoDB;

-- The torque last specified for a joint of this car, and of this model.
CREATE TABLE specifications (
  scope          ENUM('car','model') NOT NULL,
  -- The car's id; make and model.
  scope_key      VARCHAR(130)  NOT NULL,
  model_year     SMALLINT      NOT NULL,
  axle           ENUM('front','rear') NOT NULL,
  layout         VARCHAR(40)   NOT NULL,
  joint_key      VARCHAR(60)   NOT NULL,
  specification  JSON          NOT NULL,
  job_id         UUID          NOT NULL,
  entry_id       UUID          NOT NULL,
  stored_at      DATETIME(3)   NOT NULL,
  PRIMARY KEY (scope, scope_key, model_year, axle, layout, joint_key)
) ENGINE=InnoDB;

-- What the shop's own pace is learned from: ln(taken / expected), in millionths so that sums are exact.
CREATE TABLE step_times (
  kind        VARCHAR(40)   NOT NULL PRIMARY KEY,
  steps       INT           NOT NULL,
  log_ratios  BIGINT        NOT NULL
) ENGINE=InnoDB;

-- How many studs of drop links came off, and how many did not survive.
CREATE TABLE links_undone (
  rust        ENUM('none','light','heavy') NOT NULL,
  -- 0: not known.
  model_year  SMALLINT      NOT NULL,
  undone      INT           NOT NULL,
  ruined      INT           NOT NULL,
  PRIMARY KEY (rust, model_year)
) ENGINE=InnoDB;

CREATE TABLE car_notes (
  entry_id    UUID          NOT NULL PRIMARY KEY,
  vehicle_id  UUID          NOT NULL,
  job_id      UUID          NOT NULL,
  person_id   UUID          NOT NULL,
  text        VARCHAR(500)  NOT NULL,
  entered_at  DATETIME(3)   NOT NULL,
  KEY car_notes_car (vehicle_id, entered_at)
) ENGINE=InnoDB;

-- What jobs taught the shop: steps of its own, notes, sockets, counts.
CREATE TABLE own_knowledge (
  id          UUID          NOT NULL,
  job_id      UUID          NOT NULL,
  -- What the job keeps it under: that of the piece where it teaches it.
  subject     UUID          NOT NULL,
  -- It names the piece as its source; without that it teaches one of its own.
  corrects    BOOLEAN       NOT NULL,
  -- job: kept for that job alone, and offered to no other.
  scope       ENUM('job','car','model','layout') NOT NULL,
  -- The car's id; make and model; the layout.
  scope_key   VARCHAR(130)  NOT NULL,
  layout      VARCHAR(40)   NOT NULL,
  -- Null: taken back.
  own         JSON          NULL,
  entry_id    UUID          NOT NULL,
  person_id   UUID          NOT NULL,
  entered_at  DATETIME(3)   NOT NULL,
  -- When the job said it first, and last.
  first_at    DATETIME(3)   NOT NULL,
  stored_at   DATETIME(3)   NOT NULL,
  PRIMARY KEY (id, job_id, subject),
  KEY own_by_scope (scope, scope_key)
) ENGINE=InnoDB;

-- The same from another shop, as its file brought it.
CREATE TABLE shared_knowledge (
  id           UUID          NOT NULL PRIMARY KEY,
  scope        ENUM('model','layout') NOT NULL,
  scope_key    VARCHAR(130)  NOT NULL,
  layout       VARCHAR(40)   NOT NULL,
  own          JSON          NOT NULL,
  shop         VARCHAR(120)  NOT NULL,
  person_id    UUID          NOT NULL,
  taken_in_at  DATETIME(3)   NOT NULL,
  KEY shared_by_scope (scope, scope_key)
) ENGINE=InnoDB;
