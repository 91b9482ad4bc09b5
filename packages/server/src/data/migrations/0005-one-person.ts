/**
 * Who is one person: a referral keeps its own patient row with what was said then, and rows of one person share the id of
 * the first.
 */
const id = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'

export const name = '0005-one-person'
export const statements: readonly string[] = [
  `ALTER TABLE patients ADD COLUMN person_id ${id} NULL`,
  `UPDATE patients SET person_id = id`,
  `ALTER TABLE patients MODIFY person_id ${id} NOT NULL, ADD INDEX patients_by_person (person_id),
    ADD INDEX patients_by_birth (birth_date)`,
]
