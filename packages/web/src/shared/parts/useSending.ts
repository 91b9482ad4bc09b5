import { ref } from 'vue'

/** Sends something once, and keeps the refusal for the fields. */
export function useSending(send: () => Promise<unknown>, done: () => void) {
  const problem = ref<unknown>(null)
  const isSaving = ref(false)
  async function save() {
    isSaving.value = true
    problem.value = null
    try {
      await send()
      done()
    } catch (error) {
      problem.value = error
    } finally {
      isSaving.value = false
    }
  }
  return { problem, isSaving, save }
}
