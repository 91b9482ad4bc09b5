import type { ChildProcess } from 'node:child_process'
import type { PrivateDatabase } from './database.mjs'

export type Environment = Record<string, string>
export interface RunningServer {
  child: ChildProcess
  port: number
  stop(): Promise<void>
}
export interface SignIns {
  users: { login: string; password: string; name: string; role: string }[]
  phone: { patient: string; code: string } | null
}
export function refuseBusyPort(port: number): Promise<void>
export function clinicEnvironment(
  database: PrivateDatabase,
  options: { directory: string; port: number; name?: string },
): Environment
export function prepareClinic(
  database: PrivateDatabase,
  environment: Environment,
): Promise<{ notes: string[]; signIns: SignIns }>
export function startDevices(port: number): Promise<RunningServer>
export function startServer(environment: Environment, options?: { entry?: string[] }): Promise<RunningServer>
