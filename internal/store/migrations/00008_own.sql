-- +goose Up
-- Values of the shop's own, laid over the book's.
CREATE TABLE own_value (
  kind VARCHAR(20) NOT NULL,
  subject VARCHAR(60) NOT NULL,
  item VARCHAR(40) NOT NULL,
  value DOUBLE NOT NULL,
  sheet VARCHAR(200) NOT NULL,
  account_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  PRIMARY KEY (kind, subject, item),
  CONSTRAINT own_value_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB;

-- +goose Down
DROP TABLE own_value;
