-- +goose Up
-- Cleaners, lubricants and adhesives that somebody means to use on a pane.
ALTER TABLE pane ADD COLUMN uses JSON NOT NULL DEFAULT '[]';

-- +goose Down
ALTER TABLE pane DROP COLUMN uses;
