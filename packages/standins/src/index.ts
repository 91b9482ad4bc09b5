export {
  SCENARIOS,
  simulated,
  type Scenario,
  type SimulatedLine,
  type Simulation,
} from './simulatedDevice.js'
export { startDevices, type RunningDevices } from './deviceServer.js'
