-- +goose Up
-- Screws that were counted off, over all passes.
ALTER TABLE pane ADD COLUMN IF NOT EXISTS counted INT NOT NULL DEFAULT 0;
