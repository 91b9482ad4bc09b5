/** What a running Pledge is told by its environment. A wrong setting stops the start; none is replaced by a default. */
export interface Settings {
  readonly port: number
  readonly host: string
  readonly isSecure: boolean
  readonly sessionSecret: string
  readonly clinic: ClinicSettings
  readonly database: { host: string; port: number; name: string; user: string; password: string }
  /** A fixed day for demonstrations and tests; `null` = the clock. */
  readonly today: string | null
  /** Where measuring devices are reached over the network, as `ws://127.0.0.1:8091`; `null`: at a port of the browser only. */
  readonly devicesUrl: string | null
  /** Whether the trend shows ranges of published groups of which the confidence is low. */
  readonly showsLowBands: boolean
}

export interface ClinicSettings {
  readonly name: string
  readonly timeZone: string
  /** Shown to a patient who must stop. */
  readonly phone: string
  readonly outOfHours: string
}

export class SettingError extends Error {}

/**
 * Reads the settings from environment variables.
 *
 * @throws SettingError naming every variable that is missing or wrong
 */
export function readSettings(env: Readonly<Record<string, string | undefined>>): Settings {
  const problems: string[] = []
  const text = (name: string, meaning: string) => {
    const value = env[name]?.trim()
    if (!value) problems.push(`${name}: ${meaning}`)
    return value ?? ''
  }
  const port = (name: string, meaning: string) => {
    const value = Number(text(name, meaning))
    if (env[name] && (!Number.isInteger(value) || value < 0 || value > 65_535))
      problems.push(`${name}: a port from 0 to 65535`)
    return value
  }
  const timeZone = text('PLEDGE_TIME_ZONE', "the clinic's time zone, as Europe/Lisbon")
  try {
    if (timeZone) new Intl.DateTimeFormat('en', { timeZone })
  } catch {
    problems.push(`PLEDGE_TIME_ZONE: "${timeZone}" is no time zone; write one as Europe/Lisbon`)
  }
  const sessionSecret = text('PLEDGE_SESSION_SECRET', 'at least 32 random characters')
  if (sessionSecret && sessionSecret.length < 32)
    problems.push('PLEDGE_SESSION_SECRET: at least 32 random characters')
  const today = env['PLEDGE_TODAY']?.trim() || null
  if (today !== null && !/^\d{4}-\d{2}-\d{2}$/.test(today))
    problems.push('PLEDGE_TODAY: a date as 2031-04-11, or nothing')
  const devicesUrl = env['PLEDGE_DEVICES_URL']?.trim() || null
  // Unencrypted only within this machine: a reading may not be changed on its way.
  if (devicesUrl !== null && !/^(wss:\/\/[\w.-]+|ws:\/\/(127\.0\.0\.1|localhost))(:\d+)?$/.test(devicesUrl))
    problems.push('PLEDGE_DEVICES_URL: wss://host:port, or ws://127.0.0.1:port on this machine; or nothing')
  const lowBands = env['PLEDGE_LOW_BANDS']?.trim() || 'no'
  if (!['yes', 'no'].includes(lowBands))
    problems.push(
      'PLEDGE_LOW_BANDS: yes to show published ranges of low confidence in the trend; no, or nothing',
    )
  const settings: Settings = {
    port: port('PORT', 'the port to listen on'),
    host: env['PLEDGE_HOST']?.trim() || '127.0.0.1',
    isSecure: env['PLEDGE_HTTPS'] === 'yes',
    sessionSecret,
    clinic: {
      name: text('PLEDGE_CLINIC_NAME', "the clinic's name"),
      timeZone,
      phone: text('PLEDGE_CLINIC_PHONE', 'the number a patient who must stop calls in opening hours'),
      outOfHours: text(
        'PLEDGE_OUT_OF_HOURS',
        'the line a patient who must stop calls at night and on weekends',
      ),
    },
    database: {
      host: text('PLEDGE_DB_HOST', "the database's address"),
      port: port('PLEDGE_DB_PORT', "the database's port"),
      name: text('PLEDGE_DB_NAME', "the database's name"),
      user: text('PLEDGE_DB_USER', "the application's database account"),
      password: text('PLEDGE_DB_PASSWORD', 'its password'),
    },
    today,
    devicesUrl,
    showsLowBands: lowBands === 'yes',
  }
  if (problems.length > 0)
    throw new SettingError(
      `Pledge cannot start. Set these environment variables:\n  ${problems.join('\n  ')}`,
    )
  return settings
}
