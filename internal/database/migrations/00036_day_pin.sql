-- +goose Up
-- Steps that somebody put where they are.
CREATE TABLE IF NOT EXISTS day_pin (
  step VARCHAR(160) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  job_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  people JSON NOT NULL,
  account_id BIGINT NOT NULL,
  set_at DATETIME(3) NOT NULL,
  CONSTRAINT pin_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT pin_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Whoever changes the days says which ones they saw.
ALTER TABLE day_plan ADD COLUMN IF NOT EXISTS version INT NOT NULL DEFAULT 1;
