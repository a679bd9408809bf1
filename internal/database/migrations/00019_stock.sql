-- +goose Up
-- A stock size that is taken in place of one made to size.
ALTER TABLE pane ADD COLUMN IF NOT EXISTS stock VARCHAR(9) NOT NULL DEFAULT '';
