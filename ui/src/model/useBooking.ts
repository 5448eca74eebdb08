import { ref } from 'vue'
import { failureText } from '@/api/client'
import { announce } from '@/shared/announce'

/** Runs one booking at a time, says how it went, and keeps what went wrong on screen until the next. */
export function useBooking(otherwise: string) {
  const problem = ref('')
  const busy = ref(false)

  async function book(run: () => Promise<unknown>, said: string): Promise<boolean> {
    busy.value = true
    problem.value = ''
    try {
      await run()
      if (said) announce(said)
      return true
    } catch (e) {
      problem.value = failureText(e, otherwise)
      return false
    } finally {
      busy.value = false
    }
  }

  return { problem, busy, book }
}
