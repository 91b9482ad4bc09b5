export interface Account {
  user: string
  password: string
}
export interface PrivateDatabase {
  port: number
  socket: string
  accounts: { app: Account; owner: Account }
  pid: number
  stop(): Promise<void>
}
export function freePort(): Promise<number>
export function startDatabase(options: { directory: string; durable?: boolean }): Promise<PrivateDatabase>
export function createSchema(database: PrivateDatabase, name: string): Promise<void>
export function dropSchema(database: PrivateDatabase, name: string): Promise<void>
