-- +goose Up
-- Who was at which job in the last minutes is asked by time.
ALTER TABLE audit ADD INDEX IF NOT EXISTS audit_at (at, job_id, account_id);
