-- +goose Up
-- Which job ended a reminder because its object was here again: withdrawn, it gives them back.
ALTER TABLE reminder ADD COLUMN IF NOT EXISTS ended_by BIGINT NULL;
ALTER TABLE reminder ADD KEY IF NOT EXISTS reminder_ended (ended_by);
