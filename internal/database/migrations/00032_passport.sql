-- +goose Up
-- The same object that came back: the first of its rows.
ALTER TABLE object ADD COLUMN IF NOT EXISTS same_as BIGINT NULL;
ALTER TABLE object ADD KEY IF NOT EXISTS object_same (same_as);

-- Addresses that open one thing without signing in. The token stands as it is: a label
-- is printed again years later.
CREATE TABLE IF NOT EXISTS link (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  kind ENUM('passport','calendar') NOT NULL,
  token CHAR(26) CHARACTER SET ascii COLLATE ascii_bin NOT NULL UNIQUE,
  job_id BIGINT NULL,
  account_id BIGINT NOT NULL,
  made_at DATETIME(3) NOT NULL,
  withdrawn_at DATETIME(3) NULL,
  KEY link_job (job_id, kind),
  CONSTRAINT link_of_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT link_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- When something is to be looked at again.
CREATE TABLE IF NOT EXISTS reminder (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  rule VARCHAR(40) NOT NULL,
  what VARCHAR(200) NOT NULL,
  why VARCHAR(300) NOT NULL,
  due_at DATETIME(3) NOT NULL,
  state ENUM('open','done','dropped') NOT NULL DEFAULT 'open',
  note VARCHAR(300) NOT NULL DEFAULT '',
  version INT NOT NULL DEFAULT 1,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY reminder_due (state, due_at),
  KEY reminder_job (job_id),
  CONSTRAINT reminder_of FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT reminder_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What was fitted, a line for each pane that was signed, and whether it came back.
CREATE TABLE IF NOT EXISTS fitted (
  pane_id BIGINT NOT NULL PRIMARY KEY,
  job_id BIGINT NOT NULL,
  object_id BIGINT NOT NULL,
  family VARCHAR(40) NOT NULL,
  exposure VARCHAR(40) NOT NULL,
  material VARCHAR(40) NOT NULL,
  thickness DECIMAL(6,2) NOT NULL,
  seal VARCHAR(60) NOT NULL,
  adhesive VARCHAR(40) NOT NULL,
  cause VARCHAR(60) NOT NULL,
  source VARCHAR(40) NOT NULL,
  size VARCHAR(80) NOT NULL,
  out_at DATETIME(3) NOT NULL,
  back_at DATETIME(3) NULL,
  back_job BIGINT NULL,
  KEY fitted_like (family, exposure),
  KEY fitted_object (object_id),
  CONSTRAINT fitted_pane FOREIGN KEY (pane_id) REFERENCES pane (id) ON DELETE CASCADE,
  CONSTRAINT fitted_job FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
