import { deviceLine, DeviceReceiver, type DeviceEvent, type DeviceKind } from '@pledge/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useSessionStore } from '../../../shared/sessionStore'
import { useBenchStore } from '../benchStore'
import { linkFor, type DeviceLink } from './deviceLink'

export type DeviceState =
  | { readonly name: 'away' }
  | { readonly name: 'connecting' }
  | { readonly name: 'ready'; readonly serial: string }
  | { readonly name: 'measuring'; readonly serial: string; readonly value: number | null }

/** How long a device may be silent after it was asked, and between two samples. */
const SILENT_MS = 3000

/** A goniometer or dynamometer that fills the cell one is in. One at a time: the hand that holds it is one. */
export const useDeviceStore = defineStore('device', () => {
  const session = useSessionStore()
  const bench = useBenchStore()
  const kind = ref<DeviceKind | null>(null)
  const state = ref<DeviceState>({ name: 'away' })
  /** What came last: a reading taken, or why there is none. */
  const told = ref<{ readonly tone: 'good' | 'care' | 'stop'; readonly text: string } | null>(null)
  const isPossible = computed(() => linkFor(session.devicesUrl) !== null)
  let link: DeviceLink | null = null
  let receiver: DeviceReceiver | null = null
  let watchdog: ReturnType<typeof setTimeout> | undefined

  async function connect(wanted: DeviceKind) {
    disconnect()
    const open = linkFor(session.devicesUrl)
    if (!open) return
    kind.value = wanted
    told.value = null
    state.value = { name: 'connecting' }
    const own = new DeviceReceiver(wanted, session.today)
    receiver = own
    try {
      const opened = await open(wanted, {
        line: (text) => receiver === own && hear(own.line(text)),
        closed: () => receiver === own && lost(own),
      })
      if (receiver === own) link = opened
      else opened.close()
    } catch (error) {
      if (receiver !== own) return
      disconnect()
      told.value = { tone: 'stop', text: error instanceof Error ? error.message : 'No device was chosen.' }
    }
  }
  function disconnect() {
    clearTimeout(watchdog)
    const old = link
    link = null
    receiver = null
    kind.value = null
    state.value = { name: 'away' }
    old?.close()
  }
  function lost(own: DeviceReceiver) {
    const event = own.closed()
    disconnect()
    told.value = {
      tone: 'stop',
      text: event?.name === 'refused' ? event.message : 'The connection ended. Connect the device again.',
    }
  }
  /** Asks the device for a measurement; its own trigger does the same. */
  function read() {
    if (!link || state.value.name !== 'ready') return
    told.value = null
    link.send(deviceLine('START'))
    watch()
  }
  function watch() {
    clearTimeout(watchdog)
    watchdog = setTimeout(() => receiver && hear(receiver.silent()), SILENT_MS)
  }

  function hear(event: DeviceEvent | null) {
    if (!event) return
    const serial = 'serial' in state.value ? state.value.serial : ''
    switch (event.name) {
      case 'identified':
        state.value = { name: 'ready', serial: event.serial }
        told.value = event.warnings.length > 0 ? { tone: 'care', text: event.warnings.join(' ') } : null
        return
      case 'live':
        state.value = { name: 'measuring', serial, value: event.value }
        return watch()
      case 'read': {
        clearTimeout(watchdog)
        state.value = { name: 'ready', serial }
        const filled = bench.fill(kind.value!, event.value)
        told.value = filled.isTaken
          ? {
              tone: event.warnings.length > 0 ? 'care' : 'good',
              text: [filled.text, ...event.warnings].join(' '),
            }
          : { tone: 'stop', text: filled.text }
        return
      }
      case 'refused':
        clearTimeout(watchdog)
        // What is there is not what was asked for: nothing of it is heard.
        if (event.why === 'wrongDevice' || event.why === 'unknownUnit') disconnect()
        else state.value = serial ? { name: 'ready', serial } : { name: 'away' }
        told.value = { tone: 'stop', text: `Not taken. ${event.message}` }
    }
  }
  return { kind, state, told, isPossible, connect, disconnect, read }
})
