-- +goose Up
-- When each person works, is off, and what they may do.
CREATE TABLE IF NOT EXISTS work_week (
  account_id BIGINT NOT NULL PRIMARY KEY,
  doc JSON NOT NULL,
  version INT NOT NULL DEFAULT 1,
  CONSTRAINT week_of FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The plan of days as it was last taken; what need not move stays where it is in it.
CREATE TABLE IF NOT EXISTS day_plan (
  id TINYINT NOT NULL PRIMARY KEY,
  doc MEDIUMTEXT NOT NULL,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  CONSTRAINT day_plan_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
