-- +goose Up
-- Pictures that stand on the page behind a job's code.
CREATE TABLE IF NOT EXISTS photo_shown (
  photo_id BIGINT NOT NULL PRIMARY KEY,
  CONSTRAINT shown_photo FOREIGN KEY (photo_id) REFERENCES photo (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
