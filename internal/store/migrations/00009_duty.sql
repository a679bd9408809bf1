-- +goose Up
-- What a pane has to carry, and the pack that it stands in.
ALTER TABLE pane ADD COLUMN duty JSON NOT NULL DEFAULT '{}', ADD COLUMN packed JSON NOT NULL DEFAULT '{}';

-- +goose Down
ALTER TABLE pane DROP COLUMN duty, DROP COLUMN packed;
