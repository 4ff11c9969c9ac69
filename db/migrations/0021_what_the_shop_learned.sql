-- What jobs taught the shop: steps of its own, notes, sockets, counts. The books make it anew.
CREATE TABLE IF NOT EXISTS own_knowledge (
  id             UUID          NOT NULL PRIMARY KEY,
  scope          ENUM('car','model','layout') NOT NULL,
  -- The car's id; make and model; the layout.
  scope_key      VARCHAR(130)  NOT NULL,
  layout         VARCHAR(40)   NOT NULL,
  -- Null: taken back.
  own            JSON          NULL,
  job_id         UUID          NOT NULL,
  entry_id       UUID          NOT NULL,
  person_id      UUID          NOT NULL,
  entered_at     DATETIME(3)   NOT NULL,
  stored_at      DATETIME(3)   NOT NULL,
  KEY own_by_scope (scope, scope_key)
) ENGINE=InnoDB;

-- The same from another shop, as its file brought it.
CREATE TABLE IF NOT EXISTS shared_knowledge (
  id             UUID          NOT NULL PRIMARY KEY,
  scope          ENUM('model','layout') NOT NULL,
  scope_key      VARCHAR(130)  NOT NULL,
  layout         VARCHAR(40)   NOT NULL,
  own            JSON          NOT NULL,
  shop           VARCHAR(120)  NOT NULL,
  person_id      UUID          NOT NULL,
  taken_in_at    DATETIME(3)   NOT NULL,
  KEY shared_by_scope (scope, scope_key)
) ENGINE=InnoDB;

-- How many studs of drop links came off, and how many did not survive. The books make it anew.
CREATE TABLE IF NOT EXISTS links_undone (
  rust           ENUM('none','light','heavy') NOT NULL,
  -- 0: not known.
  model_year     SMALLINT      NOT NULL,
  undone         INT           NOT NULL,
  ruined         INT           NOT NULL,
  PRIMARY KEY (rust, model_year)
) ENGINE=InnoDB;
