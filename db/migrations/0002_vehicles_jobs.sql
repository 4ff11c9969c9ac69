-- Cars, and the jobs done on them.

CREATE TABLE vehicles (
  id             UUID          NOT NULL PRIMARY KEY,
  plate          VARCHAR(20)   NOT NULL,
  vin            CHAR(17)      NULL,
  make           VARCHAR(60)   NOT NULL,
  model          VARCHAR(60)   NOT NULL,
  model_year     SMALLINT      NULL,
  owner          VARCHAR(120)  NOT NULL DEFAULT '',
  wheelbase_mm   DOUBLE  NOT NULL,
  modifications  TEXT          NOT NULL DEFAULT '',
  -- Dimensions as they were typed, by field name.
  entered        JSON          NOT NULL,
  version        INT           NOT NULL DEFAULT 1,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  updated_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3) ON UPDATE CURRENT_TIMESTAMP(3),
  UNIQUE KEY vehicles_plate (plate),
  KEY vehicles_model (make, model),
  KEY vehicles_owner (owner),
  KEY vehicles_updated (updated_at)
) ENGINE=InnoDB;

-- One row an axle: how it is built, and the geometry that was taped. NULL: the layout's assumption.
CREATE TABLE axles (
  vehicle_id             UUID          NOT NULL,
  axle                   ENUM('front','rear') NOT NULL,
  layout                 VARCHAR(40)   NOT NULL,
  track_mm               DOUBLE  NOT NULL,
  tyre_size              VARCHAR(40)   NOT NULL DEFAULT '',
  arm_length_mm          DOUBLE  NULL,
  outer_below_inner_mm   DOUBLE  NULL,
  reference_hub_to_arch_mm DOUBLE NULL,
  wheel_rate_n_per_mm    DOUBLE  NULL,
  maker_height_mm        DOUBLE  NULL,
  maker_height_school    VARCHAR(20)   NULL,
  created_at             DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (vehicle_id, axle),
  CONSTRAINT axles_vehicle FOREIGN KEY (vehicle_id) REFERENCES vehicles (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE jobs (
  id             UUID          NOT NULL PRIMARY KEY,
  number         VARCHAR(20)   NOT NULL,
  vehicle_id     UUID          NOT NULL,
  complaint      TEXT          NOT NULL,
  odometer_km    DOUBLE NULL,
  odometer_entered VARCHAR(60) NULL,
  -- Corners worked on; heights are read at all four.
  corners        SET('FL','FR','RL','RR') NOT NULL,
  technician_id  UUID          NULL,
  school         VARCHAR(20)   NOT NULL DEFAULT 'hub-to-arch',
  signed_at      DATETIME(3)   NULL,
  version        INT           NOT NULL DEFAULT 1,
  created_by     UUID          NOT NULL,
  opened_at      DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY jobs_number (number),
  KEY jobs_open (signed_at, opened_at),
  KEY jobs_vehicle (vehicle_id, opened_at),
  CONSTRAINT jobs_vehicle FOREIGN KEY (vehicle_id) REFERENCES vehicles (id),
  CONSTRAINT jobs_technician FOREIGN KEY (technician_id) REFERENCES people (id),
  CONSTRAINT jobs_created_by FOREIGN KEY (created_by) REFERENCES people (id)
) ENGINE=InnoDB;

-- One row a versioned change: what a stale writer is told.
CREATE TABLE job_changes (
  job_id         UUID          NOT NULL,
  version        INT           NOT NULL,
  person_id      UUID          NOT NULL,
  what           VARCHAR(500)  NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (job_id, version),
  CONSTRAINT job_changes_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
  CONSTRAINT job_changes_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;
