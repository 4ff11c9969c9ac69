-- What a model was last torqued to, for each of its years; 0: not known. The books make it anew.
DROP TABLE specifications;
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
