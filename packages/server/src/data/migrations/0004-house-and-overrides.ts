/** What a clinic does otherwise than the catalogue, a therapist's overrides, things at home, and schools of dosing. */
const id = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'
const engine = 'ENGINE=InnoDB'

export const name = '0004-house-and-overrides'
export const statements: readonly string[] = [
  `CREATE TABLE house_edits (
    id ${id} PRIMARY KEY, number INT NOT NULL, subject VARCHAR(160) NOT NULL, edit JSON NOT NULL,
    before_value JSON NOT NULL, why VARCHAR(500) NOT NULL, agreed_by VARCHAR(120) NOT NULL,
    document VARCHAR(200) NOT NULL, withdraws_id ${id} NULL, recorded_by ${id} NOT NULL,
    recorded_at DATETIME(3) NOT NULL,
    UNIQUE INDEX house_edits_by_number (number), FOREIGN KEY (recorded_by) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE overrides (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, exercise_id VARCHAR(60) NOT NULL, dose JSON NOT NULL,
    barred_by JSON NOT NULL, why VARCHAR(500) NOT NULL, agreed_by VARCHAR(120) NOT NULL,
    document VARCHAR(200) NOT NULL, withdraws_id ${id} NULL, recorded_by ${id} NOT NULL,
    recorded_at DATETIME(3) NOT NULL,
    INDEX overrides_by_episode (episode_id, recorded_at, id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (recorded_by) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE home_checks (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, things JSON NULL, other_hand VARCHAR(12) NOT NULL,
    recorded_by ${id} NOT NULL, recorded_at DATETIME(3) NOT NULL,
    INDEX home_checks_by_episode (episode_id, recorded_at, id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (recorded_by) REFERENCES users(id)) ${engine}`,
  `ALTER TABLE drafts ADD COLUMN schools JSON NOT NULL DEFAULT '{}'`,
  `ALTER TABLE program_versions ADD COLUMN schools JSON NOT NULL DEFAULT '{}'`,
]
