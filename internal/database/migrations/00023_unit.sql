-- +goose Up
-- The unit in which a person works at a job, where it is not the shop's.
CREATE TABLE IF NOT EXISTS job_unit (
	job_id BIGINT NOT NULL,
	account_id BIGINT NOT NULL,
	unit ENUM('mm','in') NOT NULL,
	PRIMARY KEY (job_id, account_id),
	FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
	FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
