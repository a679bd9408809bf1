-- +goose Up
-- What is to be done with a pane: a road and the way of going it, how it
-- arrived, and the part that is bought. Panes from before are made to size.
ALTER TABLE pane ADD COLUMN IF NOT EXISTS road VARCHAR(10) NOT NULL DEFAULT '';

ALTER TABLE pane ADD COLUMN IF NOT EXISTS how VARCHAR(10) NOT NULL DEFAULT '';

ALTER TABLE pane ADD COLUMN IF NOT EXISTS came VARCHAR(10) NOT NULL DEFAULT '';

ALTER TABLE pane ADD COLUMN IF NOT EXISTS part TEXT NULL;
