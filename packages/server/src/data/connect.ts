import { Sequelize } from 'sequelize'

export interface DatabaseSettings {
  readonly host: string
  readonly port: number
  readonly name: string
  readonly user: string
  readonly password: string
}

/** A pool of connections. Statements and parameters are never logged: they hold patients' data. */
export function connect({ host, port, name, user, password }: DatabaseSettings, poolSize = 8): Sequelize {
  return new Sequelize(name, user, password, {
    host,
    port,
    dialect: 'mariadb',
    timezone: '+00:00',
    logging: false,
    typeValidation: true,
    pool: { max: poolSize, min: 0, acquire: 20_000, idle: 30_000 },
    dialectOptions: { connectTimeout: 10_000, logParam: false, allowPublicKeyRetrieval: true },
    define: { timestamps: false, freezeTableName: true, underscored: true },
  })
}
