import fc from 'fast-check'

/** The same generated cases in every run, so that a change is what makes a test fail; another seed looks further. */
fc.configureGlobal({ seed: Number(process.env['PLEDGE_SEED'] ?? 20261201) })
