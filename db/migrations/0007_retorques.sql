-- Wheel fasteners checked again after the first kilometres. Its own record: the job is signed by then.
CREATE TABLE retorques (
  id             UUID          NOT NULL PRIMARY KEY,
  job_id         UUID          NOT NULL,
  odometer_km    DOUBLE  NULL,
  odometer_entered VARCHAR(60) NULL,
  torque_nm      DOUBLE  NOT NULL,
  entered        VARCHAR(60)   NOT NULL,
  found          ENUM('held','moved') NOT NULL,
  note           VARCHAR(500)  NOT NULL DEFAULT '',
  person_id      UUID          NOT NULL,
  taken_at       DATETIME(3)   NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY retorques_job (job_id, taken_at),
  CONSTRAINT retorques_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
  CONSTRAINT retorques_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB;
