-- +goose Up
-- A plan of tubes is one of a wall and an outside.
ALTER TABLE cut_plan ADD COLUMN IF NOT EXISTS outside DECIMAL(6,1) NOT NULL DEFAULT 0;
