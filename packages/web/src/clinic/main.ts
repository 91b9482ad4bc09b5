import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { CLINIC_API, clinicApi } from '../shared/api/clinicApi'
import { pledgeVuetify } from '../shared/look/vuetify'
import { useSessionStore } from '../shared/sessionStore'
import ClinicApp from './ClinicApp.vue'
import { clinicRouter } from './router'

const app = createApp(ClinicApp)
app.provide(CLINIC_API, clinicApi())
app.use(createPinia())
app.use(pledgeVuetify(matchMedia('(prefers-color-scheme: dark)').matches))
const session = app.runWithContext(() => useSessionStore())
app.use(clinicRouter(session))
app.mount('#app')
