-- +goose Up
-- How many of each place there are: benches, vans, tables to cut on.
CREATE TABLE IF NOT EXISTS day_place (
  name VARCHAR(40) NOT NULL PRIMARY KEY,
  count INT NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
