/** Windows a therapist has moved, and what was asked about health that bars exercises. */
const id = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'
const engine = 'ENGINE=InnoDB'

export const name = '0003-windows-and-health'
export const statements: readonly string[] = [
  `CREATE TABLE window_shifts (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, school_choice_id ${id} NOT NULL, days SMALLINT NOT NULL,
    after_day SMALLINT NOT NULL, why VARCHAR(500) NOT NULL, agreed_by VARCHAR(120) NOT NULL,
    document VARCHAR(200) NOT NULL, withdraws_id ${id} NULL, recorded_by ${id} NOT NULL,
    recorded_at DATETIME(3) NOT NULL,
    INDEX window_shifts_by_episode (episode_id, recorded_at, id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (school_choice_id) REFERENCES school_choices(id),
    FOREIGN KEY (recorded_by) REFERENCES users(id)) ${engine}`,
  `CREATE TABLE health_checks (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, present JSON NOT NULL, note VARCHAR(500) NOT NULL,
    recorded_by ${id} NOT NULL, recorded_at DATETIME(3) NOT NULL,
    INDEX health_checks_by_episode (episode_id, recorded_at, id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (recorded_by) REFERENCES users(id)) ${engine}`,
]
