-- +goose Up
CREATE TABLE photo (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  entry_id VARCHAR(40) NOT NULL,
  width INT NOT NULL,
  height INT NOT NULL,
  full_jpeg MEDIUMBLOB NOT NULL,
  thumb_jpeg MEDIUMBLOB NOT NULL,
  taken_by BIGINT NOT NULL,
  taken_at DATETIME(3) NOT NULL,
  KEY photo_job (job_id),
  CONSTRAINT photo_of_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT photo_by FOREIGN KEY (taken_by) REFERENCES account (id)
) ENGINE=InnoDB;

-- +goose Down
DROP TABLE photo;
