-- +goose Up
-- Clocks that are no chemistry: water, first heat, paint, cooling.
CREATE TABLE IF NOT EXISTS timer (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  pane_id BIGINT NOT NULL,
  usual VARCHAR(40) NOT NULL DEFAULT '',
  what VARCHAR(120) NOT NULL,
  stage INT NOT NULL DEFAULT 0,
  gates VARCHAR(40) NOT NULL DEFAULT '',
  of_check BOOLEAN NOT NULL DEFAULT FALSE,
  since DATETIME(3) NOT NULL,
  until_at DATETIME(3) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY timer_until (until_at),
  CONSTRAINT timer_pane FOREIGN KEY (pane_id) REFERENCES pane (id) ON DELETE CASCADE,
  CONSTRAINT timer_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- A step may wait for several things that harden: a bed, then a second bead.
ALTER TABLE cure ADD KEY IF NOT EXISTS cure_of (pane_id, step);
ALTER TABLE cure DROP KEY IF EXISTS cure_step;
