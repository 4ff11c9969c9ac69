-- What each job says of a piece of own knowledge: one teaches it, others correct it. The books make it anew.
DROP TABLE own_knowledge;
CREATE TABLE own_knowledge (
  id             UUID          NOT NULL,
  job_id         UUID          NOT NULL,
  -- What the job keeps it under: that of the piece where it teaches it.
  subject        UUID          NOT NULL,
  -- It names the piece as its source; without that it teaches one of its own.
  corrects       BOOLEAN       NOT NULL,
  -- job: kept for that job alone, and offered to no other.
  scope          ENUM('job','car','model','layout') NOT NULL,
  -- The car's id; make and model; the layout; empty.
  scope_key      VARCHAR(130)  NOT NULL,
  layout         VARCHAR(40)   NOT NULL,
  -- Null: taken back.
  own            JSON          NULL,
  entry_id       UUID          NOT NULL,
  person_id      UUID          NOT NULL,
  entered_at     DATETIME(3)   NOT NULL,
  -- When the job said it first, and last.
  first_at       DATETIME(3)   NOT NULL,
  stored_at      DATETIME(3)   NOT NULL,
  PRIMARY KEY (id, job_id, subject),
  KEY own_by_scope (scope, scope_key)
) ENGINE=InnoDB;
