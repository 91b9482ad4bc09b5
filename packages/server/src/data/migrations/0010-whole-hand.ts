/**
 * What the bench keeps besides joints: readings of a patch of skin or of one of the patient's own tasks, those tasks, goals, what
 * happened to the hand, and a later correction of a visit, which is a visit of its own that names the one it corrects.
 */
const ascii = 'CHARACTER SET ascii COLLATE ascii_bin'
const id = `CHAR(26) ${ascii}`
const record = `id ${id} PRIMARY KEY, episode_id ${id} NOT NULL, seq INT NOT NULL, digest CHAR(64) ${ascii} NOT NULL`
const written = `recorded_by ${id} NOT NULL, recorded_at DATETIME(3) NOT NULL`
const table = (name: string, columns: string) =>
  `CREATE TABLE ${name} (${record}, ${columns}, withdraws_id ${id} NULL, why VARCHAR(500) NOT NULL, ${written},
    UNIQUE KEY ${name}_by_seq (episode_id, seq),
    FOREIGN KEY (episode_id) REFERENCES episodes(id)) ENGINE=InnoDB`

export const name = '0010-whole-hand'
export const statements: readonly string[] = [
  `ALTER TABLE measurements ADD COLUMN spot VARCHAR(40) ${ascii} NOT NULL DEFAULT ''`,
  `ALTER TABLE measurements DROP PRIMARY KEY,
    ADD PRIMARY KEY (evaluation_id, measure, digit, side, kind, spot)`,
  `ALTER TABLE evaluations ADD COLUMN amends_id ${id} NULL,
    ADD CONSTRAINT evaluations_amend FOREIGN KEY (amends_id) REFERENCES evaluations(id)`,
  table('tasks', 'words VARCHAR(200) NOT NULL'),
  table(
    'goals',
    `words VARCHAR(300) NOT NULL, series VARCHAR(120) ${ascii} NOT NULL, target DOUBLE NOT NULL, set_on DATE NOT NULL, due_on DATE NOT NULL`,
  ),
  table(
    'hand_events',
    `kind VARCHAR(20) ${ascii} NOT NULL, happened_on DATE NOT NULL, words VARCHAR(300) NOT NULL, given_by VARCHAR(200) NOT NULL`,
  ),
]
