-- +goose Up
-- A quote has a page of its own behind a code.
ALTER TABLE link MODIFY kind ENUM('passport','calendar','days','quote') NOT NULL;

-- What a customer said to a quote: on that page, or on paper, written down by somebody.
CREATE TABLE IF NOT EXISTS quote_reply (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  bill_id BIGINT NOT NULL,
  yes BOOLEAN NOT NULL,
  name VARCHAR(120) NOT NULL,
  words VARCHAR(500) NOT NULL DEFAULT '',
  account_id BIGINT NULL,
  at DATETIME(3) NOT NULL,
  withdrawn_at DATETIME(3) NULL,
  KEY reply_bill (bill_id),
  CONSTRAINT reply_of FOREIGN KEY (bill_id) REFERENCES bill (id),
  CONSTRAINT reply_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
