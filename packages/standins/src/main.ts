import { startDevices } from './deviceServer.js'

const { port } = await startDevices(Number(process.env['PLEDGE_DEVICES_PORT'] ?? 8091))
process.stdout.write(`devices ${port}\n`)
