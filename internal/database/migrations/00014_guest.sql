-- +goose Up
-- What is put into an object only for now, with the step before which it must
-- be out; one that is out stays on the record.
CREATE TABLE IF NOT EXISTS guest (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  what VARCHAR(80) NOT NULL,
  place VARCHAR(80) NOT NULL DEFAULT '',
  before_step VARCHAR(40) NOT NULL DEFAULT '',
  stays BOOLEAN NOT NULL DEFAULT FALSE,
  seen BOOLEAN NOT NULL DEFAULT FALSE,
  put_by BIGINT NOT NULL,
  put_at DATETIME(3) NOT NULL,
  out_by BIGINT NULL,
  out_at DATETIME(3) NULL,
  KEY guest_job (job_id, id),
  CONSTRAINT guest_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT guest_put_by FOREIGN KEY (put_by) REFERENCES account (id),
  CONSTRAINT guest_out_by FOREIGN KEY (out_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
