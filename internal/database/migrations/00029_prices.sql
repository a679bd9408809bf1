-- +goose Up
-- What the shop asks.
CREATE TABLE IF NOT EXISTS rates (
  id INT NOT NULL PRIMARY KEY,
  hour DECIMAL(12,2) NOT NULL,
  call_out DECIMAL(12,2) NOT NULL,
  disposal DECIMAL(12,2) NOT NULL,
  least DECIMAL(12,2) NOT NULL,
  margin INT NOT NULL,
  tax INT NOT NULL,
  behind INT NOT NULL,
  days INT NOT NULL,
  version INT NOT NULL DEFAULT 1
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What a person changed on the price of a job.
CREATE TABLE IF NOT EXISTS job_price (
  job_id BIGINT NOT NULL PRIMARY KEY,
  body JSON NOT NULL,
  version INT NOT NULL DEFAULT 1,
  CONSTRAINT price_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Quotes, invoices and credits as they were written.
CREATE TABLE IF NOT EXISTS bill (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  kind ENUM('quote','invoice','credit') NOT NULL,
  number BIGINT NOT NULL,
  of_id BIGINT NULL,
  net DECIMAL(14,2) NOT NULL,
  tax DECIMAL(14,2) NOT NULL,
  total DECIMAL(14,2) NOT NULL,
  body JSON NOT NULL,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  UNIQUE KEY bill_number (kind, number),
  UNIQUE KEY bill_once (of_id),
  KEY bill_job (job_id),
  CONSTRAINT bill_of FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT bill_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
