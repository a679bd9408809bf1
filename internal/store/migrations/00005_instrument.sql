-- +goose Up
-- What instruments sent, so that any process can pass it on and a stream that
-- broke off can go on where it was.
CREATE TABLE instrument_event (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  line VARCHAR(120) NOT NULL,
  breaks BOOLEAN NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY instrument_account (account_id, id),
  CONSTRAINT instrument_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB;

-- +goose Down
DROP TABLE instrument_event;
