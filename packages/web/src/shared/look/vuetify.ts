import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import 'vuetify/styles/core'
import '@fontsource-variable/atkinson-hyperlegible-next'
import './tokens.css'

const light = {
  background: '#FBF8F2',
  surface: '#FFFFFF',
  primary: '#0F5C63',
  secondary: '#55626C',
  success: '#4E7A3A',
  warning: '#8A5F00',
  error: '#A63A2B',
  info: '#7A3E6B',
}
const dark = {
  background: '#171D21',
  surface: '#222B31',
  primary: '#74C3C6',
  secondary: '#A9B1B3',
  success: '#9CC487',
  warning: '#E2B355',
  error: '#EC9686',
  info: '#CF9FC2',
}

/** Vuetify in Pledge's own colors, density and shapes. */
export function pledgeVuetify(isDark: boolean) {
  document.documentElement.classList.toggle('dark', isDark)
  return createVuetify({
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    theme: {
      defaultTheme: isDark ? 'pledgeDark' : 'pledge',
      themes: { pledge: { dark: false, colors: light }, pledgeDark: { dark: true, colors: dark } },
    },
    defaults: {
      global: { ripple: false },
      VBtn: { variant: 'flat', rounded: 'sm', color: 'primary' },
      VTextField: { variant: 'outlined', density: 'compact', hideDetails: true, singleLine: true },
      VTextarea: {
        variant: 'outlined',
        density: 'compact',
        hideDetails: true,
        singleLine: true,
        rows: 2,
        autoGrow: true,
      },
      VSelect: {
        variant: 'outlined',
        density: 'compact',
        hideDetails: true,
        singleLine: true,
      },
      VAutocomplete: { variant: 'outlined', density: 'compact', hideDetails: true, singleLine: true },
      VCheckbox: { density: 'compact', hideDetails: true, color: 'primary' },
    },
  })
}
