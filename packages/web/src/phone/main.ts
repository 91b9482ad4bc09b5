import '@fontsource-variable/atkinson-hyperlegible-next'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { PHONE_PARTS, PhonePage, phoneText } from '../features/do-a-bout'
import { phoneApi } from '../features/do-a-bout'
import { keptOnPhone } from '../features/do-a-bout'
import '../shared/look/tokens.css'

const app = createApp(PhonePage)
app.provide(PHONE_PARTS, { api: phoneApi(), kept: keptOnPhone(), now: () => new Date() })
app.use(createPinia())
app.use(phoneText())
app.mount('#app')

if ('serviceWorker' in navigator && import.meta.env.PROD) {
  void navigator.serviceWorker.register('/sw.js', { scope: '/' })
}
