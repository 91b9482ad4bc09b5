import { readFileSync } from 'node:fs'
import type { Migration } from '../migrate.js'

/** The names of the rules of the catalogue of version 0.1 by their places then. Never edited. */
const NAMES_OF_0_1 = new URL('../../../data/rule-names-0.1.txt', import.meta.url)

/**
 * Rules have names: a clinic's edit of a gate and what an exception covers pointed at a rule by its place. Both keep the name
 * and the version of the protocol from now on; what was stored is rewritten by the places of the catalogue it was made with.
 */
export const name = '0007-rule-names'
export const statements: readonly string[] = [
  `ALTER TABLE house_edits ADD COLUMN protocol_version INT NULL AFTER edit`,
  `ALTER TABLE overrides ADD COLUMN protocol_versions JSON NOT NULL DEFAULT '{}' AFTER barred_by`,
]

/** `PROTOCOL.gate.2` → `PROTOCOL#key`; a printed id that no rule of that catalogue had stays as it is, and the start says so. */
const names = new Map<string, string>(
  readFileSync(NAMES_OF_0_1, 'utf8')
    .trim()
    .split('\n')
    .flatMap((line) => {
      const [place, ...keys] = line.trim().split(' ') as [string, ...string[]]
      const protocolId = place.split('.')[0]!
      return keys.map((key, index) => [`${place}.${index + 1}`, `${protocolId}#${key}`] as const)
    }),
)
/** Every protocol of that catalogue was version 1. */
const VERSION = 1

export const rewrite: NonNullable<Migration['rewrite']> = async (read, write) => {
  for (const row of await read<{ id: string; edit: string }>('SELECT id, edit FROM house_edits')) {
    const edit = asJson(row.edit) as { kind: string; protocolId?: string; ruleId?: string }
    if (edit.protocolId === undefined) continue
    const { ruleId, ...rest } = edit
    const named = ruleId === undefined ? undefined : names.get(ruleId)
    const key = named?.split('#')[1] ?? ruleId
    const subject = ruleId === undefined ? null : `gate ${named ?? ruleId}`
    await write(
      `UPDATE house_edits SET edit = ?, protocol_version = ?, subject = COALESCE(?, subject) WHERE id = ?`,
      [JSON.stringify(key === undefined ? rest : { ...rest, key }), VERSION, subject, row.id],
    )
  }
  for (const row of await read<{ id: string; barred_by: string }>('SELECT id, barred_by FROM overrides')) {
    const barredBy = (asJson(row.barred_by) as string[]).map((bar) => {
      const [rule, ...atom] = bar.split(' ') as [string, ...string[]]
      return [names.get(rule) ?? rule, ...atom].join(' ')
    })
    const protocols = barredBy.flatMap((bar) => /^([^ #]+)#/.exec(bar)?.[1] ?? [])
    const versions = Object.fromEntries(protocols.map((id) => [id, VERSION]))
    await write(`UPDATE overrides SET barred_by = ?, protocol_versions = ? WHERE id = ?`, [
      JSON.stringify(barredBy),
      JSON.stringify(versions),
      row.id,
    ])
  }
}

function asJson(value: unknown): unknown {
  return typeof value === 'string' ? JSON.parse(value) : value
}
