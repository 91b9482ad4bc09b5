/**
 * What comes after what in an episode's record is a number from the database, never a clock; what was sent under an id is
 * known by a digest; anything is withdrawn once only.
 */
const id = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'
const hash = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin'
const engine = 'ENGINE=InnoDB'

/** Tables of an episode's record with the column that told when a row was written. */
const RECORDS = {
  facts: 'recorded_at',
  orders: 'recorded_at',
  school_choices: 'chosen_at',
  slips: 'recorded_at',
  window_shifts: 'recorded_at',
  health_checks: 'recorded_at',
  home_checks: 'recorded_at',
  overrides: 'recorded_at',
  evaluations: 'recorded_at',
  program_versions: 'signed_at',
  flags: 'raised_at',
} as const
const tables = Object.entries(RECORDS)
/** Where a row says which one it withdraws. */
const WITHDRAWALS = [
  ['orders', 'withdraws_id', 'episode_id'],
  ['window_shifts', 'withdraws_id', 'episode_id'],
  ['overrides', 'withdraws_id', 'episode_id'],
  ['facts', 'corrects_id', 'episode_id'],
  ['flags', 'lifts_id', 'episode_id'],
  ['house_edits', 'withdraws_id', 'NULL'],
] as const

export const name = '0008-order-of-records'
export const statements: readonly string[] = [
  `CREATE TABLE episode_sequences (
    episode_id ${id} PRIMARY KEY, last INT NOT NULL,
    FOREIGN KEY (episode_id) REFERENCES episodes(id)) ${engine}`,
  `CREATE TABLE withdrawals (
    target_id ${id} PRIMARY KEY, withdrawal_id ${id} NOT NULL, episode_id ${id} NULL,
    UNIQUE KEY withdrawals_by_row (withdrawal_id)) ${engine}`,
  // Rows so far keep the order in which they were told to have been written.
  `CREATE TABLE row_order (kind VARCHAR(40), id ${id}, episode_id ${id}, place INT, PRIMARY KEY (kind, id)) ${engine}`,
  `INSERT INTO row_order SELECT kind, id, episode_id, ROW_NUMBER() OVER (PARTITION BY episode_id ORDER BY at, id)
    FROM (${tables.map(([table, at]) => `SELECT '${table}' kind, id, episode_id, ${at} at FROM ${table}`).join(' UNION ALL ')}) written`,
  ...tables.flatMap(([table]) => [
    `ALTER TABLE ${table} ADD COLUMN seq INT NOT NULL DEFAULT 0, ADD COLUMN digest ${hash} NOT NULL DEFAULT ''`,
    `UPDATE ${table} JOIN row_order ON row_order.kind = '${table}' AND row_order.id = ${table}.id SET ${table}.seq = row_order.place`,
    `ALTER TABLE ${table} ALTER COLUMN seq DROP DEFAULT, ADD UNIQUE KEY ${table}_by_seq (episode_id, seq)`,
  ]),
  `INSERT INTO episode_sequences SELECT episodes.id, COALESCE(MAX(place), 0)
    FROM episodes LEFT JOIN row_order ON row_order.episode_id = episodes.id GROUP BY episodes.id`,
  `DROP TABLE row_order`,
  // Bouts come from phones at any time: they count for themselves, so that none waits for another.
  `ALTER TABLE bout_logs ADD COLUMN seq BIGINT NOT NULL AUTO_INCREMENT, ADD UNIQUE KEY bout_logs_in_order (seq),
    ADD KEY bout_logs_newest (episode_id, seq)`,
  `ALTER TABLE house_edits ADD COLUMN digest ${hash} NOT NULL DEFAULT ''`,
  // Where something was withdrawn twice, the first withdrawal is the one.
  ...WITHDRAWALS.map(
    ([table, target, episode]) =>
      `INSERT IGNORE INTO withdrawals (target_id, withdrawal_id, episode_id)
        SELECT ${target}, id, ${episode} FROM ${table} WHERE ${target} IS NOT NULL
        ORDER BY ${table === 'house_edits' ? 'number' : 'seq'}`,
  ),
]
