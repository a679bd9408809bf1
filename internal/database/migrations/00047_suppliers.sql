-- +goose Up
-- Suppliers as people know them: most are asked by telephone or mail, and some answer by themselves.
ALTER TABLE supplier
  MODIFY way ENUM('http','file','person') NOT NULL,
  ADD COLUMN IF NOT EXISTS phone VARCHAR(40) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS mail VARCHAR(120) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS number VARCHAR(40) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS sells VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS terms VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS days INT NOT NULL DEFAULT 3;
