-- +goose Up
-- Minutes between places and the timetables of ferries, one document.
CREATE TABLE IF NOT EXISTS road_map (
  id TINYINT NOT NULL PRIMARY KEY,
  doc MEDIUMTEXT NOT NULL,
  version INT NOT NULL DEFAULT 1
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Where a job at the customer's is, and when somebody is in.
CREATE TABLE IF NOT EXISTS job_site (
  job_id BIGINT NOT NULL PRIMARY KEY,
  place VARCHAR(80) NOT NULL,
  in_from VARCHAR(5) NOT NULL DEFAULT '',
  in_to VARCHAR(5) NOT NULL DEFAULT '',
  version INT NOT NULL DEFAULT 1,
  CONSTRAINT site_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Days of the van that were taken.
CREATE TABLE IF NOT EXISTS van_round (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  leaves_at DATETIME(3) NOT NULL,
  back_at DATETIME(3) NOT NULL,
  doc JSON NOT NULL,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY round_back (back_at),
  CONSTRAINT round_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The weather outdoors as a forecast says it, hour by hour; where it says nothing, the
-- simulated station does.
CREATE TABLE IF NOT EXISTS weather_hour (
  at DATETIME NOT NULL PRIMARY KEY,
  c DECIMAL(5,1) NOT NULL,
  rh DECIMAL(5,1) NOT NULL,
  wet BOOLEAN NOT NULL DEFAULT FALSE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
