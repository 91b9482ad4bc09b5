/// <reference types="vite/client" />
/// <reference types="vite-plugin-pwa/client" />
declare module '*.vue' {
  import type { DefineComponent } from 'vue'
  const component: DefineComponent
  export default component
}
declare module 'vuetify/styles/core'
declare module '@fontsource-variable/atkinson-hyperlegible-next'
