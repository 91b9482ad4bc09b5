/** What was measured at a visit before its time, each with its reason and who agreed. */
export const name = '0011-measured-early'
export const statements: readonly string[] = [`ALTER TABLE evaluations ADD COLUMN early JSON NULL`]
