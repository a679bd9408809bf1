-- +goose Up
-- Whether the object's door or leaf comes off its hinges.
ALTER TABLE object ADD COLUMN IF NOT EXISTS leaf BOOLEAN NOT NULL DEFAULT FALSE;
