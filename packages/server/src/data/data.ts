import { Aims } from './aims.js'
import type { Database } from './database.js'
import { EpisodeRecords } from './episodeRecords.js'
import { Findings } from './findings.js'
import { Homes } from './homes.js'
import { HouseEdits } from './houseEdits.js'
import { Journal } from './journal.js'
import { Programs } from './programs.js'
import { Referrals } from './referrals.js'
import { Revisions } from './revisions.js'
import { Trail } from './trail.js'
import { Users } from './users.js'

/** All that the server knows of the database: one repository a subject. */
export interface Data {
  readonly journal: Journal
  readonly users: Users
  readonly records: EpisodeRecords
  readonly revisions: Revisions
  readonly referrals: Referrals
  readonly findings: Findings
  readonly aims: Aims
  readonly programs: Programs
  readonly homes: Homes
  readonly house: HouseEdits
  readonly trail: Trail
}

export function dataOf(database: Database): Data {
  const journal = new Journal(database)
  return {
    journal,
    users: new Users(database),
    records: new EpisodeRecords(database),
    revisions: new Revisions(database),
    referrals: new Referrals(database, journal),
    findings: new Findings(database, journal),
    aims: new Aims(database, journal),
    programs: new Programs(database, journal),
    homes: new Homes(database, journal),
    house: new HouseEdits(database, journal),
    trail: new Trail(database),
  }
}
