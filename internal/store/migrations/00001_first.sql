-- +goose Up
CREATE TABLE shop (
  id TINYINT NOT NULL PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  town VARCHAR(80) NOT NULL,
  unit ENUM('mm','in') NOT NULL,
  version INT NOT NULL DEFAULT 1
) ENGINE=InnoDB;

CREATE TABLE account (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  login VARCHAR(60) NOT NULL UNIQUE,
  role ENUM('owner','technician') NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  active BOOLEAN NOT NULL DEFAULT TRUE,
  version INT NOT NULL DEFAULT 1,
  created_at DATETIME(3) NOT NULL
) ENGINE=InnoDB;

CREATE TABLE sign_in_failure (
  login VARCHAR(60) NOT NULL PRIMARY KEY,
  failures INT NOT NULL,
  last_at DATETIME(3) NOT NULL
) ENGINE=InnoDB;

CREATE TABLE sessions (
  token CHAR(43) NOT NULL PRIMARY KEY,
  data BLOB NOT NULL,
  expiry TIMESTAMP(6) NOT NULL,
  KEY sessions_expiry (expiry)
) ENGINE=InnoDB;

CREATE TABLE customer (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  phone VARCHAR(40) NOT NULL,
  note VARCHAR(500) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  KEY customer_name (name)
) ENGINE=InnoDB;

CREATE TABLE object (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  customer_id BIGINT NOT NULL,
  name VARCHAR(120) NOT NULL,
  exposure JSON NOT NULL,
  power BOOLEAN NOT NULL,
  gas BOOLEAN NOT NULL,
  old BOOLEAN NOT NULL,
  strike BOOLEAN NOT NULL,
  stamp VARCHAR(200) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  KEY object_name (name),
  CONSTRAINT object_customer FOREIGN KEY (customer_id) REFERENCES customer (id)
) ENGINE=InnoDB;

CREATE TABLE job (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  object_id BIGINT NOT NULL,
  story VARCHAR(1000) NOT NULL,
  place ENUM('bench','site') NOT NULL,
  promised_at DATETIME(3) NULL,
  waits_for VARCHAR(200) NOT NULL DEFAULT '',
  waits_until DATETIME(3) NULL,
  state ENUM('open','signed') NOT NULL DEFAULT 'open',
  version INT NOT NULL DEFAULT 1,
  -- counts every change to anything of the job, so that screens can ask cheaply
  pulse BIGINT NOT NULL DEFAULT 1,
  created_by BIGINT NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY job_open (state, promised_at),
  CONSTRAINT job_object FOREIGN KEY (object_id) REFERENCES object (id),
  CONSTRAINT job_creator FOREIGN KEY (created_by) REFERENCES account (id)
) ENGINE=InnoDB;

CREATE TABLE pane (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  family VARCHAR(40) NOT NULL,
  frame VARCHAR(40) NOT NULL,
  cutter VARCHAR(20) NOT NULL,
  gasket_kind ENUM('none','flat','wrapped') NOT NULL,
  gasket_free DOUBLE NOT NULL,
  side_top INT NOT NULL,
  side_right INT NOT NULL,
  side_bottom INT NOT NULL,
  side_left INT NOT NULL,
  raked BOOLEAN NOT NULL,
  like_material VARCHAR(40) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  KEY pane_job (job_id),
  CONSTRAINT pane_of_job FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;

-- A reading is never changed: a new one takes its place and the old one stays.
-- live is 1 for the one that counts and NULL for the rest, so that the unique
-- key allows one live reading a place.
CREATE TABLE reading (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  pane_id BIGINT NOT NULL,
  place VARCHAR(40) NOT NULL,
  text VARCHAR(60) NOT NULL,
  value DOUBLE NOT NULL,
  doubt DOUBLE NOT NULL,
  lean VARCHAR(10) NOT NULL,
  imperial BOOLEAN NOT NULL,
  instrument VARCHAR(20) NOT NULL,
  taken_by BIGINT NOT NULL,
  taken_at DATETIME(3) NOT NULL,
  version INT NOT NULL,
  live TINYINT NULL,
  UNIQUE KEY reading_live (pane_id, place, live),
  CONSTRAINT reading_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT reading_taker FOREIGN KEY (taken_by) REFERENCES account (id)
) ENGINE=InnoDB;

CREATE TABLE choice (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  pane_id BIGINT NOT NULL,
  material VARCHAR(40) NOT NULL,
  thickness DOUBLE NOT NULL,
  reason VARCHAR(1000) NOT NULL,
  chosen_by BIGINT NOT NULL,
  chosen_at DATETIME(3) NOT NULL,
  KEY choice_pane (pane_id),
  CONSTRAINT choice_of_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT choice_by FOREIGN KEY (chosen_by) REFERENCES account (id)
) ENGINE=InnoDB;

CREATE TABLE step_tick (
  job_id BIGINT NOT NULL,
  step VARCHAR(40) NOT NULL,
  outcome ENUM('done','left-out') NOT NULL,
  reason VARCHAR(500) NOT NULL,
  done_by BIGINT NOT NULL,
  done_at DATETIME(3) NOT NULL,
  PRIMARY KEY (job_id, step),
  CONSTRAINT tick_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT tick_by FOREIGN KEY (done_by) REFERENCES account (id)
) ENGINE=InnoDB;

CREATE TABLE check_answer (
  job_id BIGINT NOT NULL,
  proof VARCHAR(40) NOT NULL,
  outcome ENUM('pass','fail','not-applicable') NOT NULL,
  value DOUBLE NULL,
  finding VARCHAR(500) NOT NULL,
  done_by BIGINT NOT NULL,
  done_at DATETIME(3) NOT NULL,
  PRIMARY KEY (job_id, proof),
  CONSTRAINT answer_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT answer_by FOREIGN KEY (done_by) REFERENCES account (id)
) ENGINE=InnoDB;

CREATE TABLE ticket (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL UNIQUE,
  signed_by BIGINT NOT NULL,
  signed_at DATETIME(3) NOT NULL,
  override_reason VARCHAR(500) NOT NULL,
  -- what was reckoned at sign-off: the ticket stays as it was handed over
  document LONGTEXT NOT NULL,
  CONSTRAINT ticket_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT ticket_by FOREIGN KEY (signed_by) REFERENCES account (id)
) ENGINE=InnoDB;

CREATE TABLE audit (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NULL,
  account_id BIGINT NULL,
  at DATETIME(3) NOT NULL,
  noun VARCHAR(40) NOT NULL,
  item VARCHAR(200) NOT NULL,
  action VARCHAR(20) NOT NULL,
  said VARCHAR(500) NOT NULL,
  before_value JSON NULL,
  after_value JSON NULL,
  KEY audit_job (job_id, id)
) ENGINE=InnoDB;

CREATE TABLE idempotency (
  account_id BIGINT NOT NULL,
  token VARCHAR(80) NOT NULL,
  call_name VARCHAR(40) NOT NULL,
  request_hash CHAR(64) NOT NULL,
  result_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (account_id, token)
) ENGINE=InnoDB;

-- +goose Down
DROP TABLE idempotency, audit, ticket, check_answer, step_tick, choice, reading, pane, job, object, customer, sessions, sign_in_failure, account, shop;
