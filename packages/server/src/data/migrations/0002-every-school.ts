/** Every school: the choice of a school with its own day 0, variant and values; injured digits; slips; early orders. */
const id = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'
const engine = 'ENGINE=InnoDB'

export const name = '0002-every-school'
export const statements: readonly string[] = [
  `CREATE TABLE school_choices (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, protocol_id VARCHAR(40) NOT NULL, variant VARCHAR(40) NULL,
    patient_values JSON NOT NULL, anchor_on DATE NOT NULL, why VARCHAR(500) NOT NULL, chosen_by ${id} NOT NULL,
    chosen_at DATETIME(3) NOT NULL,
    INDEX school_choices_by_episode (episode_id, chosen_at, id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (chosen_by) REFERENCES users(id)) ${engine}`,
  // The school a referral chose is the first choice; it takes the episode's own id.
  `INSERT INTO school_choices (id, episode_id, protocol_id, variant, patient_values, anchor_on, why, chosen_by, chosen_at)
    SELECT id, id, protocol_id, NULL, '{}', surgery_on, '', therapist_id, created_at FROM episodes`,
  `ALTER TABLE episodes MODIFY injured_on DATE NULL, ADD COLUMN digits JSON NULL, DROP COLUMN protocol_id,
    DROP COLUMN surgery_on`,
  `UPDATE episodes SET digits = '[]'`,
  `ALTER TABLE episodes MODIFY digits JSON NOT NULL`,
  `CREATE TABLE slips (
    id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, slipped_on DATE NOT NULL, credit_days SMALLINT NOT NULL,
    why VARCHAR(500) NOT NULL, recorded_by ${id} NOT NULL, recorded_at DATETIME(3) NOT NULL,
    INDEX slips_by_episode (episode_id, id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id), FOREIGN KEY (recorded_by) REFERENCES users(id)) ${engine}`,
  `ALTER TABLE orders ADD COLUMN document VARCHAR(200) NOT NULL DEFAULT ''`,
]
