-- +goose Up
-- The gaps round a pane as they were read, mm, as a JSON list.
ALTER TABLE check_answer ADD COLUMN IF NOT EXISTS gaps VARCHAR(200) NOT NULL DEFAULT '[]';
