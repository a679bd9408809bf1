-- +goose Up
-- What was changed after a check failed, before it was tried again.
ALTER TABLE failed_trial ADD COLUMN IF NOT EXISTS changed VARCHAR(200) NOT NULL DEFAULT '' AFTER finding;
