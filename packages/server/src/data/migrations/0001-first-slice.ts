/** From an empty database to the first slice: people, episodes, facts, measurements, programs, bouts, audit. */
const id = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'
const hash = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin'
const engine = 'ENGINE=InnoDB'

export const name = '0001-first-slice'
export const statements: readonly string[] = [
  `CREATE TABLE users (
    id ${id} PRIMARY KEY, login VARCHAR(80) NOT NULL UNIQUE, name VARCHAR(120) NOT NULL,
    role ENUM('lead','therapist','assistant') NOT NULL, password_hash VARCHAR(255) NOT NULL,
    is_active BOOLEAN NOT NULL DEFAULT TRUE, created_at DATETIME(3) NOT NULL) ${engine}`,
  `CREATE TABLE sessions (
    id ${hash} PRIMARY KEY, user_id ${id} NULL, data TEXT NOT NULL, expires_at DATETIME(3) NOT NULL,
    INDEX sessions_by_expiry (expires_at)) ${engine}`,
  `CREATE TABLE patients (
    id ${id} PRIMARY KEY, name VARCHAR(120) NOT NULL, birth_date DATE NOT NULL,
    dominant_hand ENUM('left','right','both') NOT NULL, language ENUM('en','es') NOT NULL,
    has_latex_allergy BOOLEAN NOT NULL, has_adhesive_allergy BOOLEAN NOT NULL,
    created_by ${id} NOT NULL, created_at DATETIME(3) NOT NULL,
    FOREIGN KEY (created_by) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE episodes (
    id ${id} PRIMARY KEY, patient_id ${id} NOT NULL, therapist_id ${id} NOT NULL,
    condition_id VARCHAR(60) NOT NULL, protocol_id VARCHAR(40) NOT NULL, side ENUM('left','right') NOT NULL,
    time_zone VARCHAR(60) NOT NULL, injured_on DATE NOT NULL, surgery_on DATE NOT NULL, surgeon VARCHAR(120) NOT NULL,
    work VARCHAR(200) NOT NULL, note VARCHAR(2000) NOT NULL, opened_on DATE NOT NULL, created_at DATETIME(3) NOT NULL,
    FOREIGN KEY (patient_id) REFERENCES patients(id), FOREIGN KEY (therapist_id) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE facts (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, what VARCHAR(60) NOT NULL, value VARCHAR(20) NOT NULL,
    is_withdrawn BOOLEAN NOT NULL, dated DATE NOT NULL, given_by VARCHAR(120) NOT NULL,
    how ENUM('letter','phone','inPerson','film','examined','measured') NOT NULL, note VARCHAR(500) NOT NULL,
    corrects_id ${id} NULL, recorded_by ${id} NOT NULL, recorded_at DATETIME(3) NOT NULL,
    INDEX facts_by_episode (episode_id, recorded_at, id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (recorded_by) REFERENCES users(id),
    FOREIGN KEY (corrects_id) REFERENCES facts(id)) ${engine}`,
  `CREATE TABLE orders (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, restriction VARCHAR(40) NOT NULL, until_on DATE NULL,
    given_by VARCHAR(120) NOT NULL, dated DATE NOT NULL, why VARCHAR(300) NOT NULL, withdraws_id ${id} NULL,
    recorded_by ${id} NOT NULL, recorded_at DATETIME(3) NOT NULL,
    INDEX orders_by_episode (episode_id, id), UNIQUE KEY orders_withdrawn_once (withdraws_id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (recorded_by) REFERENCES users(id),
    FOREIGN KEY (withdraws_id) REFERENCES orders(id)) ${engine}`,
  `CREATE TABLE evaluations (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, evaluated_on DATE NOT NULL, pain_rest TINYINT NULL,
    pain_act TINYINT NULL, note VARCHAR(2000) NOT NULL, recorded_by ${id} NOT NULL, recorded_at DATETIME(3) NOT NULL,
    INDEX evaluations_by_episode (episode_id, evaluated_on, id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (recorded_by) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE readings (
    evaluation_id ${id} NOT NULL, motion VARCHAR(40) NOT NULL, side ENUM('left','right') NOT NULL,
    kind ENUM('active','passive') NOT NULL, angle_deg SMALLINT NOT NULL,
    PRIMARY KEY (evaluation_id, motion, side, kind),
    FOREIGN KEY (evaluation_id) REFERENCES evaluations(id)) ${engine}`,
  `CREATE TABLE drafts (
    episode_id ${id} PRIMARY KEY, items JSON NOT NULL, version INT NOT NULL, updated_by ${id} NOT NULL,
    updated_at DATETIME(3) NOT NULL,
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (updated_by) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE program_versions (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, number INT NOT NULL, signed_by ${id} NOT NULL,
    signed_at DATETIME(3) NOT NULL, signed_on DATE NOT NULL, catalogue_revision VARCHAR(32) NOT NULL, items JSON NOT NULL,
    UNIQUE KEY program_versions_in_order (episode_id, number),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (signed_by) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE pairings (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, code_hash ${hash} NOT NULL UNIQUE, expires_at DATETIME(3) NOT NULL,
    used_at DATETIME(3) NULL, created_by ${id} NOT NULL, created_at DATETIME(3) NOT NULL,
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (created_by) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE devices (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, token_hash ${hash} NOT NULL UNIQUE, paired_at DATETIME(3) NOT NULL,
    revoked_at DATETIME(3) NULL, seen_at DATETIME(3) NOT NULL,
    INDEX devices_by_episode (episode_id), FOREIGN KEY (episode_id) REFERENCES episodes(id)) ${engine}`,
  `CREATE TABLE bout_logs (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, program_version_id ${id} NOT NULL, device_id ${id} NULL,
    started_at DATETIME(3) NOT NULL, ended_at DATETIME(3) NOT NULL, pain_before TINYINT NULL, pain_worst TINYINT NULL,
    pain_after TINYINT NULL, ended_by ENUM('done','left','stop') NOT NULL, red_flags JSON NOT NULL, digest ${hash} NOT NULL,
    received_at DATETIME(3) NOT NULL,
    INDEX bout_logs_by_episode (episode_id, ended_at),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (program_version_id) REFERENCES program_versions(id),
    FOREIGN KEY (device_id) REFERENCES devices(id)) ${engine}`,
  `CREATE TABLE bout_log_items (
    bout_log_id ${id} NOT NULL, item_id ${id} NOT NULL, outcome ENUM('done','hurt','skipped','notReached') NOT NULL,
    repetitions_done SMALLINT NOT NULL, reason VARCHAR(60) NOT NULL,
    PRIMARY KEY (bout_log_id, item_id), FOREIGN KEY (bout_log_id) REFERENCES bout_logs(id)) ${engine}`,
  `CREATE TABLE flags (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, flag VARCHAR(20) NOT NULL, bout_log_id ${id} NULL,
    raised_at DATETIME(3) NOT NULL, lifts_id ${id} NULL, outcome VARCHAR(500) NOT NULL, answered_by VARCHAR(120) NOT NULL,
    lifted_by ${id} NULL,
    INDEX flags_by_episode (episode_id, id), UNIQUE KEY flags_lifted_once (lifts_id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (bout_log_id) REFERENCES bout_logs(id),
    FOREIGN KEY (lifts_id) REFERENCES flags(id), FOREIGN KEY (lifted_by) REFERENCES users(id)) ${engine}`,
  // No foreign keys: an audit row outlives what it speaks of.
  `CREATE TABLE audit (
    id ${id} PRIMARY KEY, at DATETIME(3) NOT NULL, actor_kind ENUM('user','device','anonymous','system') NOT NULL,
    actor_id ${id} NULL, action VARCHAR(60) NOT NULL, episode_id ${id} NULL, is_change BOOLEAN NOT NULL, detail JSON NOT NULL,
    INDEX audit_by_episode (episode_id, is_change, id), INDEX audit_by_time (at)) ${engine}`,
  `CREATE TRIGGER audit_no_update BEFORE UPDATE ON audit FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Audit rows are never changed.'`,
  `CREATE TRIGGER audit_no_delete BEFORE DELETE ON audit FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Audit rows are never deleted.'`,
]
