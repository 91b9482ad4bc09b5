/**
 * Whatever is measured is a row of its own: what, of which digit and side, active or passive, and the result as core writes it. The
 * wrist's readings and the pain scores kept so far become such rows.
 */
const id = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'
const word = 'CHARACTER SET ascii COLLATE ascii_bin NOT NULL'

export const name = '0009-measurements'
export const statements: readonly string[] = [
  `CREATE TABLE measurements (
    evaluation_id ${id} NOT NULL, episode_id ${id} NOT NULL, measure VARCHAR(40) ${word},
    digit VARCHAR(8) ${word}, side VARCHAR(8) ${word}, kind VARCHAR(8) ${word}, result JSON NOT NULL,
    PRIMARY KEY (evaluation_id, measure, digit, side, kind),
    KEY measurements_by_episode (episode_id),
    FOREIGN KEY (evaluation_id) REFERENCES evaluations(id),
    FOREIGN KEY (episode_id) REFERENCES episodes(id)) ENGINE=InnoDB`,
  `INSERT INTO measurements SELECT evaluation_id, episode_id, motion, '', side, kind, CAST(angle_deg AS CHAR)
    FROM readings JOIN evaluations ON evaluations.id = evaluation_id`,
  ...(['rest', 'act'] as const).map(
    (when) =>
      `INSERT INTO measurements SELECT id, episode_id, 'pain${when === 'rest' ? 'Rest' : 'Act'}', '', '', '', CAST(pain_${when} AS CHAR)
        FROM evaluations WHERE pain_${when} IS NOT NULL`,
  ),
  'DROP TABLE readings',
  'ALTER TABLE evaluations DROP COLUMN pain_rest, DROP COLUMN pain_act',
]
