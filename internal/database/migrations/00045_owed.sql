-- +goose Up
-- What stands on every paper: where the shop is, how it is reached, where one pays to.
CREATE TABLE IF NOT EXISTS letterhead (
  id INT NOT NULL PRIMARY KEY,
  body JSON NOT NULL,
  version INT NOT NULL DEFAULT 1
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Within how many days an invoice is paid, and what is asked ahead.
ALTER TABLE rates
  ADD COLUMN IF NOT EXISTS terms INT NOT NULL DEFAULT 14,
  ADD COLUMN IF NOT EXISTS deposit INT NOT NULL DEFAULT 0;

-- Who pays for a job, where that is more than a name and a phone.
CREATE TABLE IF NOT EXISTS payer (
  job_id BIGINT NOT NULL PRIMARY KEY,
  body JSON NOT NULL,
  version INT NOT NULL DEFAULT 1,
  CONSTRAINT payer_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Money that came, and what was given back: nothing is taken out of it.
CREATE TABLE IF NOT EXISTS payment (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  amount DECIMAL(14,2) NOT NULL,
  way ENUM('cash','card','bank','insurer') NOT NULL,
  day DATE NOT NULL,
  note VARCHAR(200) NOT NULL DEFAULT '',
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY payment_job (job_id),
  KEY payment_day (day),
  CONSTRAINT payment_of FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT payment_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- By when an invoice is to be paid; lists ask for it.
ALTER TABLE bill ADD COLUMN IF NOT EXISTS due DATETIME(3) NULL;
