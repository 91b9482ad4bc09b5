/** The patient's side: today's exercises, a bout, how it was. The phone's page is all that the rest may know of it. */
export { default as PhonePage } from './PhonePage.vue'
export { keptOnPhone } from './keptOnPhone'
export { PHONE_PARTS, phoneApi } from './phoneApi'
export { phoneText } from './text'
