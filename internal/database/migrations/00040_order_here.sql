-- +goose Up
-- When an order was here: how surely things come is learnt from it.
ALTER TABLE supply_order ADD COLUMN IF NOT EXISTS here_at DATETIME(3) NULL;
