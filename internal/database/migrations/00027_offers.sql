-- +goose Up
-- What others ask for a pane, in cents by DECIMAL.
CREATE TABLE IF NOT EXISTS offer (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  pane_id BIGINT NOT NULL,
  kind VARCHAR(20) NOT NULL,
  who VARCHAR(80) NOT NULL,
  price DECIMAL(12,2) NOT NULL,
  carriage DECIMAL(12,2) NOT NULL DEFAULT 0,
  lacks VARCHAR(120) NOT NULL DEFAULT '',
  missing DECIMAL(12,2) NOT NULL DEFAULT 0,
  days INT NOT NULL,
  misfit INT NOT NULL,
  back BOOLEAN NOT NULL DEFAULT FALSE,
  mark BOOLEAN NOT NULL DEFAULT FALSE,
  taken_at DATETIME(3) NULL,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY offer_pane (pane_id),
  CONSTRAINT offer_of FOREIGN KEY (pane_id) REFERENCES pane (id) ON DELETE CASCADE,
  CONSTRAINT offer_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What waiting and a second try cost a job.
CREATE TABLE IF NOT EXISTS job_terms (
  job_id BIGINT NOT NULL PRIMARY KEY,
  visit DECIMAL(12,2) NOT NULL,
  day DECIMAL(12,2) NOT NULL,
  CONSTRAINT terms_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
