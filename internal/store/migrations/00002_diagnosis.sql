-- +goose Up
CREATE TABLE diagnosis (
  job_id BIGINT NOT NULL PRIMARY KEY,
  evidence JSON NOT NULL,
  old_pane JSON NOT NULL,
  cause VARCHAR(40) NOT NULL,
  set_by BIGINT NOT NULL,
  set_at DATETIME(3) NOT NULL,
  version INT NOT NULL,
  CONSTRAINT diagnosis_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT diagnosis_by FOREIGN KEY (set_by) REFERENCES account (id)
) ENGINE=InnoDB;

-- +goose Down
DROP TABLE diagnosis;
