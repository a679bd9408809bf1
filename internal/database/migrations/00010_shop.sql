-- +goose Up
-- Every statement can be run again: a start that was cut off half way is
-- finished by the next one.
CREATE TABLE IF NOT EXISTS shop (
  id TINYINT NOT NULL PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  town VARCHAR(80) NOT NULL,
  unit ENUM('mm','in') NOT NULL,
  version INT NOT NULL DEFAULT 1
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS account (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  login VARCHAR(60) NOT NULL UNIQUE,
  role ENUM('owner','technician') NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  active BOOLEAN NOT NULL DEFAULT TRUE,
  version INT NOT NULL DEFAULT 1,
  created_at DATETIME(3) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Tokens of sessions and one-time words stand here as digests alone.
CREATE TABLE IF NOT EXISTS session (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  digest BINARY(32) NOT NULL UNIQUE,
  account_id BIGINT NOT NULL,
  device VARCHAR(120) NOT NULL,
  address VARCHAR(60) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  seen_at DATETIME(3) NOT NULL,
  KEY session_seen (seen_at),
  CONSTRAINT session_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS reset_word (
  account_id BIGINT NOT NULL PRIMARY KEY,
  digest BINARY(32) NOT NULL,
  until_at DATETIME(3) NOT NULL,
  CONSTRAINT reset_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Failed sign-ins, counted before a password is looked at: of a name from an
-- address, of a name from anywhere, of an address.
CREATE TABLE IF NOT EXISTS sign_in_attempt (
  scope ENUM('pair','login','address') NOT NULL,
  subject VARCHAR(160) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  failures INT NOT NULL,
  last_at DATETIME(3) NOT NULL,
  PRIMARY KEY (scope, subject),
  KEY attempt_at (last_at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Addresses from which a person has signed in before.
CREATE TABLE IF NOT EXISTS known_address (
  account_id BIGINT NOT NULL,
  address VARCHAR(60) NOT NULL,
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (account_id, address),
  CONSTRAINT known_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS customer (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  phone VARCHAR(40) NOT NULL,
  note VARCHAR(500) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  KEY customer_name (name)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS object (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  customer_id BIGINT NOT NULL,
  name VARCHAR(120) NOT NULL,
  exposure JSON NOT NULL,
  power BOOLEAN NOT NULL,
  gas BOOLEAN NOT NULL,
  vehicle BOOLEAN NOT NULL,
  water BOOLEAN NOT NULL,
  old BOOLEAN NOT NULL,
  strike BOOLEAN NOT NULL,
  stamp VARCHAR(200) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  CONSTRAINT object_customer FOREIGN KEY (customer_id) REFERENCES customer (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS job (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  object_id BIGINT NOT NULL,
  story VARCHAR(1000) NOT NULL,
  place ENUM('bench','site') NOT NULL,
  promised_at DATETIME(3) NULL,
  -- what is not promised comes last
  due_at DATETIME(3) AS (IFNULL(promised_at, TIMESTAMP'9999-12-31 00:00:00')) PERSISTENT,
  state ENUM('open','signed') NOT NULL DEFAULT 'open',
  version INT NOT NULL DEFAULT 1,
  -- counts every change to anything of the job, so that screens can ask cheaply
  pulse BIGINT NOT NULL DEFAULT 1,
  created_by BIGINT NOT NULL,
  created_at DATETIME(3) NOT NULL,
  -- a job that came as a document: when, by whom, and what it said of itself
  carried_by BIGINT NULL,
  carried_at DATETIME(3) NULL,
  carried_says VARCHAR(500) NOT NULL DEFAULT '',
  KEY job_due (state, due_at, id),
  KEY job_state (state, id),
  CONSTRAINT job_object FOREIGN KEY (object_id) REFERENCES object (id),
  CONSTRAINT job_creator FOREIGN KEY (created_by) REFERENCES account (id),
  CONSTRAINT job_carrier FOREIGN KEY (carried_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The words by which a job is found, from its customer, object and story.
CREATE TABLE IF NOT EXISTS job_words (
  job_id BIGINT NOT NULL PRIMARY KEY,
  words TEXT NOT NULL,
  FULLTEXT KEY job_words_text (words),
  CONSTRAINT words_of_job FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS pane (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  number INT NOT NULL,
  name VARCHAR(80) NOT NULL,
  family VARCHAR(40) NOT NULL,
  frame VARCHAR(40) NOT NULL,
  cutter VARCHAR(20) NOT NULL,
  gasket_kind ENUM('none','flat','wrapped') NOT NULL,
  gasket_free DOUBLE NOT NULL,
  side_top INT NOT NULL,
  side_right INT NOT NULL,
  side_bottom INT NOT NULL,
  side_left INT NOT NULL,
  shape LONGTEXT NOT NULL,
  raked BOOLEAN NOT NULL,
  like_material VARCHAR(40) NOT NULL,
  uses JSON NOT NULL,
  duty JSON NOT NULL,
  packed JSON NOT NULL,
  spot JSON NOT NULL,
  waits_for VARCHAR(200) NOT NULL,
  waits_until DATETIME(3) NULL,
  version INT NOT NULL DEFAULT 1,
  UNIQUE KEY pane_number (job_id, number),
  KEY pane_family (family, job_id),
  CONSTRAINT pane_of_job FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- A reading is never changed: a new one takes its place and the old one stays.
-- live is 1 for the one that counts and NULL for the rest, so that the unique
-- key allows one live reading a place. In this and the following tables author
-- names who did it where somebody else brought it in; otherwise it is empty.
CREATE TABLE IF NOT EXISTS reading (
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
  author VARCHAR(80) NOT NULL DEFAULT '',
  taken_at DATETIME(3) NOT NULL,
  version INT NOT NULL,
  live TINYINT NULL,
  UNIQUE KEY reading_live (pane_id, place, live),
  CONSTRAINT reading_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT reading_taker FOREIGN KEY (taken_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS choice (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  pane_id BIGINT NOT NULL,
  material VARCHAR(40) NOT NULL,
  thickness DOUBLE NOT NULL,
  reason TEXT NOT NULL,
  chosen_by BIGINT NOT NULL,
  author VARCHAR(80) NOT NULL DEFAULT '',
  chosen_at DATETIME(3) NOT NULL,
  CONSTRAINT choice_of_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT choice_by FOREIGN KEY (chosen_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS step_tick (
  pane_id BIGINT NOT NULL,
  step VARCHAR(40) NOT NULL,
  outcome ENUM('done','left-out') NOT NULL,
  reason VARCHAR(500) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  done_by BIGINT NOT NULL,
  author VARCHAR(80) NOT NULL DEFAULT '',
  done_at DATETIME(3) NOT NULL,
  PRIMARY KEY (pane_id, step),
  CONSTRAINT tick_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT tick_by FOREIGN KEY (done_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS check_answer (
  pane_id BIGINT NOT NULL,
  proof VARCHAR(40) NOT NULL,
  outcome ENUM('pass','fail','not-applicable') NOT NULL,
  value DOUBLE NULL,
  finding VARCHAR(500) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  done_by BIGINT NOT NULL,
  author VARCHAR(80) NOT NULL DEFAULT '',
  done_at DATETIME(3) NOT NULL,
  PRIMARY KEY (pane_id, proof),
  CONSTRAINT answer_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT answer_by FOREIGN KEY (done_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS diagnosis (
  pane_id BIGINT NOT NULL PRIMARY KEY,
  evidence JSON NOT NULL,
  old_pane JSON NOT NULL,
  cause VARCHAR(40) NOT NULL,
  set_by BIGINT NOT NULL,
  author VARCHAR(80) NOT NULL DEFAULT '',
  set_at DATETIME(3) NOT NULL,
  version INT NOT NULL,
  CONSTRAINT diagnosis_pane FOREIGN KEY (pane_id) REFERENCES pane (id),
  CONSTRAINT diagnosis_by FOREIGN KEY (set_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS strip_entry (
  job_id BIGINT NOT NULL,
  entry_id VARCHAR(40) NOT NULL,
  position INT NOT NULL,
  entry JSON NOT NULL,
  version INT NOT NULL,
  noted_by BIGINT NOT NULL,
  author VARCHAR(80) NOT NULL DEFAULT '',
  noted_at DATETIME(3) NOT NULL,
  PRIMARY KEY (job_id, entry_id),
  UNIQUE KEY strip_order (job_id, position),
  CONSTRAINT strip_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT strip_by FOREIGN KEY (noted_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS photo (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL,
  entry_id VARCHAR(40) NOT NULL,
  width INT NOT NULL,
  height INT NOT NULL,
  full_jpeg MEDIUMBLOB NOT NULL,
  thumb_jpeg MEDIUMBLOB NOT NULL,
  taken_by BIGINT NOT NULL,
  author VARCHAR(80) NOT NULL DEFAULT '',
  taken_at DATETIME(3) NOT NULL,
  CONSTRAINT photo_of_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT photo_by FOREIGN KEY (taken_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS ticket (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NOT NULL UNIQUE,
  signed_by BIGINT NOT NULL,
  signed_at DATETIME(3) NOT NULL,
  override_reason VARCHAR(500) NOT NULL,
  -- the job as it stood and what was reckoned: it stays as it was handed over
  document LONGTEXT NOT NULL,
  -- keyed digest of all of the above
  seal BINARY(32) NOT NULL,
  CONSTRAINT ticket_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT ticket_by FOREIGN KEY (signed_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS audit (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT NULL,
  account_id BIGINT NULL,
  at DATETIME(3) NOT NULL,
  noun VARCHAR(40) NOT NULL,
  item VARCHAR(200) NOT NULL,
  action VARCHAR(20) NOT NULL,
  said VARCHAR(1000) NOT NULL,
  before_value JSON NULL,
  after_value JSON NULL,
  KEY audit_job (job_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS idempotency (
  account_id BIGINT NOT NULL,
  token VARCHAR(80) NOT NULL,
  call_name VARCHAR(40) NOT NULL,
  request_hash CHAR(64) NOT NULL,
  result_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (account_id, token),
  KEY idempotency_at (at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What instruments sent, so that any process can pass it on and a stream that
-- broke off can go on where it was.
CREATE TABLE IF NOT EXISTS instrument_event (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  line VARCHAR(120) NOT NULL,
  breaks BOOLEAN NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY instrument_account (account_id, id),
  KEY instrument_at (at),
  CONSTRAINT instrument_by FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Values of the shop's own, laid over the book's.
CREATE TABLE IF NOT EXISTS own_value (
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
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What the program notes for itself: its seal's key, the last backup, whether
-- the made-up shop is filled.
CREATE TABLE IF NOT EXISTS memo (
  name VARCHAR(40) NOT NULL PRIMARY KEY,
  value TEXT NOT NULL,
  at DATETIME(3) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
