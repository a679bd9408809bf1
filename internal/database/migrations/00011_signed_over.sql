-- +goose Up
-- Stops that an owner took on, each by itself, with how it stood then.
CREATE TABLE IF NOT EXISTS taken_on (
  pane_id BIGINT NOT NULL,
  item VARCHAR(120) NOT NULL,
  said VARCHAR(600) NOT NULL,
  beyond DOUBLE NOT NULL,
  reason VARCHAR(500) NOT NULL,
  taken_by BIGINT NOT NULL,
  taken_at DATETIME(3) NOT NULL,
  PRIMARY KEY (pane_id, item),
  CONSTRAINT taken_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT taken_on_by FOREIGN KEY (taken_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Checks that failed and were tried again: a failure stays on the record.
CREATE TABLE IF NOT EXISTS failed_trial (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  pane_id BIGINT NOT NULL,
  proof VARCHAR(40) NOT NULL,
  value DOUBLE NULL,
  finding VARCHAR(500) NOT NULL,
  done_by BIGINT NOT NULL,
  author VARCHAR(80) NOT NULL DEFAULT '',
  done_at DATETIME(3) NOT NULL,
  KEY failed_trial_pane (pane_id, id),
  CONSTRAINT failed_trial_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT failed_trial_by FOREIGN KEY (done_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What it is that drives: a road vehicle, a trailer, a machine.
ALTER TABLE object ADD COLUMN IF NOT EXISTS moves VARCHAR(10) NOT NULL DEFAULT '' AFTER vehicle;
