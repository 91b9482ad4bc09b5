<script setup lang="ts">
import { DEVICE_KINDS, type DeviceKind } from '@pledge/core'
import { onBeforeUnmount } from 'vue'
import { useDeviceStore } from './deviceStore'

/** A connected goniometer or dynamometer fills the cell one is in; what it may not fill it tells. */
const device = useDeviceStore()
onBeforeUnmount(() => device.disconnect())
const NAMES: Readonly<Record<DeviceKind, string>> = { goniometer: 'goniometer', dynamometer: 'dynamometer' }
const shown = (value: number) =>
  device.kind === 'goniometer' ? `${value.toFixed(0)}°` : `${value.toFixed(1)} kg`
</script>

<template>
  <div v-if="device.isPossible" class="device" role="group" aria-label="Measuring device">
    <template v-if="device.state.name === 'away'">
      <span class="soft">Connect a</span>
      <button v-for="kind in DEVICE_KINDS" :key="kind" type="button" @click="device.connect(kind)">
        {{ NAMES[kind] }}
      </button>
    </template>
    <span v-else-if="device.state.name === 'connecting'" class="soft"
      >Looking for the {{ device.kind }}…</span
    >
    <template v-else>
      <strong>{{ NAMES[device.kind!] }} {{ device.state.serial }}</strong>
      <span v-if="device.state.name === 'measuring'" class="tabular live">{{
        device.state.value === null ? '…' : shown(device.state.value)
      }}</span>
      <!-- The cell keeps the focus: a reading goes where one is. -->
      <button v-else type="button" @mousedown.prevent @click="device.read()">Read</button>
      <button type="button" class="quiet" @click="device.disconnect()">Disconnect</button>
    </template>
    <span v-if="device.told" class="told" :class="device.told.tone" role="status">{{
      device.told.text
    }}</span>
  </div>
</template>

<style scoped>
.device {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  margin: 2px 0 8px;
  padding: 5px 10px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: var(--paper);
  font-size: 13.5px;
}
button {
  min-height: 28px;
  padding: 2px 12px;
  border: 1px solid var(--teal);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--teal);
  font: inherit;
  font-weight: 600;
}
button.quiet {
  border-color: transparent;
  background: none;
  font-weight: 400;
}
.live {
  min-width: 72px;
  font-size: 17px;
  font-weight: 650;
}
.told {
  flex: 1 1 200px;
  line-height: 1.3;
}
.good {
  color: var(--moss);
}
.care {
  color: var(--ochre);
  font-weight: 600;
}
.stop {
  color: var(--brick);
  font-weight: 600;
}
</style>
