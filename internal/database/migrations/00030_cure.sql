-- +goose Up
-- What was laid and has to harden, one for each step that waits for it. Its three times
-- are what the air so far and the forecast make of it.
CREATE TABLE IF NOT EXISTS cure (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  pane_id BIGINT NOT NULL,
  step VARCHAR(40) NOT NULL,
  adhesive VARCHAR(40) NOT NULL,
  width DECIMAL(5,1) NOT NULL DEFAULT 0,
  edges INT NOT NULL DEFAULT 0,
  depth24 DECIMAL(5,2) NOT NULL DEFAULT 0,
  place ENUM('bench','van','yard') NOT NULL DEFAULT 'bench',
  stays JSON NOT NULL,
  since DATETIME(3) NOT NULL,
  let_go_at DATETIME(3) NULL,
  ready_at DATETIME(3) NULL,
  full_at DATETIME(3) NULL,
  item_id BIGINT NULL,
  lot VARCHAR(60) NOT NULL DEFAULT '',
  version INT NOT NULL DEFAULT 1,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  UNIQUE KEY cure_step (pane_id, step),
  KEY cure_ready (ready_at),
  CONSTRAINT cure_pane FOREIGN KEY (pane_id) REFERENCES pane (id) ON DELETE CASCADE,
  CONSTRAINT cure_item FOREIGN KEY (item_id) REFERENCES stock_item (id),
  CONSTRAINT cure_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The air as it was read.
CREATE TABLE IF NOT EXISTS air_reading (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  place ENUM('bench','van','yard') NOT NULL,
  c DECIMAL(4,1) NOT NULL,
  rh DECIMAL(4,1) NOT NULL,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY air_at (place, at),
  CONSTRAINT air_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

ALTER TABLE stock_item ADD COLUMN IF NOT EXISTS opened_at DATETIME(3) NULL;
