-- +goose Up
-- A job that came to nothing: the customer said no, or it was taken in twice.
ALTER TABLE job MODIFY COLUMN state ENUM('open','signed','withdrawn') NOT NULL DEFAULT 'open';

ALTER TABLE job ADD COLUMN IF NOT EXISTS withdrawn_by BIGINT NULL;

ALTER TABLE job ADD COLUMN IF NOT EXISTS withdrawn_at DATETIME(3) NULL;

ALTER TABLE job ADD COLUMN IF NOT EXISTS withdrawn_why VARCHAR(200) NOT NULL DEFAULT '';

ALTER TABLE job ADD FOREIGN KEY IF NOT EXISTS job_withdrawer (withdrawn_by) REFERENCES account (id);
