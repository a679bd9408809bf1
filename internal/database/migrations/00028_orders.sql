-- +goose Up
-- What is ordered from whom for a job, with what came of it.
CREATE TABLE IF NOT EXISTS supply_order (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  kind VARCHAR(20) NOT NULL,
  who VARCHAR(80) NOT NULL,
  state ENUM('to-send','sent','confirmed','back','here','dropped') NOT NULL DEFAULT 'to-send',
  body JSON NOT NULL,
  carriage DECIMAL(12,2) NOT NULL DEFAULT 0,
  total DECIMAL(14,2) NOT NULL DEFAULT 0,
  due DATETIME(3) NULL,
  note VARCHAR(500) NOT NULL DEFAULT '',
  version INT NOT NULL DEFAULT 1,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY order_job (job_id),
  KEY order_due (state, due),
  CONSTRAINT order_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT order_by_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Who answers what is asked of them by a file or a call.
CREATE TABLE IF NOT EXISTS supplier (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  way ENUM('http','file') NOT NULL,
  address VARCHAR(200) NOT NULL,
  UNIQUE KEY supplier_name (name)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
