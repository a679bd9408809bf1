-- +goose Up
-- What stood behind the cause of a break, nearest first; a JSON list.
ALTER TABLE diagnosis ADD COLUMN IF NOT EXISTS behind TEXT NULL AFTER cause;
