-- Proof that readings and torques are as they were written: each link holds the hash of its row and of
-- the link before it.
CREATE TABLE record_chain (
  job_id         UUID          NOT NULL,
  seq            INT           NOT NULL,
  kind           ENUM('reading','torque') NOT NULL,
  row_id         UUID          NOT NULL,
  hash           CHAR(64) CHARACTER SET ascii NOT NULL,
  created_at     DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (job_id, seq),
  UNIQUE KEY record_chain_row (row_id),
  CONSTRAINT record_chain_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE
) ENGINE=InnoDB;
