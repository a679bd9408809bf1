-- +goose Up
-- Under which address the shop is reached from outside: what codes and calendars lead to.
ALTER TABLE shop ADD COLUMN IF NOT EXISTS address VARCHAR(200) NOT NULL DEFAULT '';
