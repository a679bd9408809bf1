-- +goose Up
-- What else speaks for the size of a pane, as JSON.
ALTER TABLE pane ADD COLUMN IF NOT EXISTS heard TEXT NULL;
