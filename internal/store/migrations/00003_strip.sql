-- +goose Up
CREATE TABLE strip_entry (
  job_id BIGINT NOT NULL,
  entry_id VARCHAR(40) NOT NULL,
  position INT NOT NULL,
  entry JSON NOT NULL,
  version INT NOT NULL,
  noted_by BIGINT NOT NULL,
  noted_at DATETIME(3) NOT NULL,
  PRIMARY KEY (job_id, entry_id),
  UNIQUE KEY strip_order (job_id, position),
  CONSTRAINT strip_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT strip_by FOREIGN KEY (noted_by) REFERENCES account (id)
) ENGINE=InnoDB;

-- +goose Down
DROP TABLE strip_entry;
