-- +goose Up
-- What the faces of a bond that let go showed, as JSON.
ALTER TABLE pane ADD COLUMN IF NOT EXISTS peel TEXT NULL;
