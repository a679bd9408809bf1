-- +goose Up
-- Eighths of a turn that each screw has had after its first touch, as JSON.
ALTER TABLE pane ADD COLUMN IF NOT EXISTS turns TEXT NULL;
