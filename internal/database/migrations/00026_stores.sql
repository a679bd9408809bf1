-- +goose Up
-- What the shop has in its rack and on its shelves.
CREATE TABLE IF NOT EXISTS stock_item (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  kind ENUM('sheet','offcut','tube','seal','adhesive','fastener','consumable') NOT NULL,
  name VARCHAR(120) NOT NULL,
  material VARCHAR(40) NOT NULL DEFAULT '',
  thickness DECIMAL(6,2) NOT NULL DEFAULT 0,
  w DECIMAL(8,1) NOT NULL DEFAULT 0,
  h DECIMAL(8,1) NOT NULL DEFAULT 0,
  unit ENUM('pc','m') NOT NULL DEFAULT 'pc',
  quantity DECIMAL(12,3) NOT NULL DEFAULT 0,
  least DECIMAL(12,3) NOT NULL DEFAULT 0,
  cost DECIMAL(12,2) NOT NULL DEFAULT 0,
  place VARCHAR(60) NOT NULL DEFAULT '',
  lot VARCHAR(60) NOT NULL DEFAULT '',
  expires VARCHAR(10) NOT NULL DEFAULT '',
  version INT NOT NULL DEFAULT 1,
  KEY stock_of (kind, material, thickness)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Every movement of it.
CREATE TABLE IF NOT EXISTS stock_move (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  item_id BIGINT NOT NULL,
  delta DECIMAL(12,3) NOT NULL,
  why VARCHAR(200) NOT NULL,
  job_id BIGINT NULL,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY move_item (item_id, id),
  CONSTRAINT move_of FOREIGN KEY (item_id) REFERENCES stock_item (id),
  CONSTRAINT move_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT move_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Plans of the cut room with how far they are cut.
CREATE TABLE IF NOT EXISTS cut_plan (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  material VARCHAR(40) NOT NULL,
  thickness DECIMAL(6,2) NOT NULL,
  state ENUM('open','done','broken','dropped') NOT NULL DEFAULT 'open',
  doc JSON NOT NULL,
  version INT NOT NULL DEFAULT 1,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY plan_of (state, material, thickness),
  CONSTRAINT plan_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Panes that came out of a plan, and how often one broke in whose hands.
CREATE TABLE IF NOT EXISTS cut_pane (
  pane_id BIGINT NOT NULL PRIMARY KEY,
  plan_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  CONSTRAINT cut_pane_pane FOREIGN KEY (pane_id) REFERENCES pane (id) ON DELETE CASCADE,
  CONSTRAINT cut_pane_plan FOREIGN KEY (plan_id) REFERENCES cut_plan (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS cut_try (
  material VARCHAR(40) NOT NULL,
  account_id BIGINT NOT NULL,
  good INT NOT NULL DEFAULT 0,
  bad INT NOT NULL DEFAULT 0,
  PRIMARY KEY (material, account_id),
  CONSTRAINT try_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
