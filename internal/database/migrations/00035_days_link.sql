-- +goose Up
-- Each person's days in a calendar of their own: whose they are is whose link it is.
ALTER TABLE link MODIFY kind ENUM('passport','calendar','days') NOT NULL;
