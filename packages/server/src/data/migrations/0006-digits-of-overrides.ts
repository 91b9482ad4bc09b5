/** An exception says for which digits it was made; those before could not choose, and were made for the exercise as it is. */
export const name = '0006-digits-of-overrides'
export const statements: readonly string[] = [`ALTER TABLE overrides ADD COLUMN digits JSON NULL AFTER dose`]
