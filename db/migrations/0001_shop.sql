-- The shop, its people, and how they sign in. Keys are UUIDs (version 7) made by the writer.

CREATE TABLE shop (
  id            TINYINT       NOT NULL PRIMARY KEY CHECK (id = 1),
  name          VARCHAR(120)  NOT NULL,
  units         JSON          NOT NULL,
  twist_set_deg     DECIMAL(4,1) NOT NULL DEFAULT 2.0,
  twist_advised_deg DECIMAL(4,1) NOT NULL DEFAULT 5.0,
  version       INT           NOT NULL DEFAULT 1,
  created_at    DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
) ENGINE=InnoDB;

CREATE TABLE people (
  id            UUID          NOT NULL PRIMARY KEY,
  handle        VARCHAR(40)   NOT NULL,
  name          VARCHAR(120)  NOT NULL,
  role          ENUM('technician','lead') NOT NULL,
  -- NULL: known from an imported job, cannot sign in.
  secret_hash   VARCHAR(255)  NULL,
  active        BOOLEAN       NOT NULL DEFAULT TRUE,
  units         JSON          NULL,
  theme         ENUM('system','light','dark') NOT NULL DEFAULT 'system',
  created_at    DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY people_handle (handle),
  KEY people_name (name)
) ENGINE=InnoDB;

CREATE TABLE sessions (
  -- SHA-256 of the cookie's token: a stolen dump signs nobody in.
  token_hash    BINARY(32)    NOT NULL PRIMARY KEY,
  person_id     UUID          NOT NULL,
  expires_at    DATETIME(3)   NOT NULL,
  created_at    DATETIME(3)   NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY sessions_expires (expires_at),
  CONSTRAINT sessions_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
) ENGINE=InnoDB;

-- Kept by the rate limiter, whose package sets the columns: failed sign-ins per person and address.
CREATE TABLE sign_in_attempts (
  `key`         VARCHAR(255)  NOT NULL PRIMARY KEY,
  points        INT           NOT NULL DEFAULT 0,
  expire        BIGINT UNSIGNED NULL
) ENGINE=InnoDB;
