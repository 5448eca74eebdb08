/** Runs one request at a time and keeps only the newest order waiting: what a drag needs. */
export function latestOnly<A, R>(
  run: (order: A) => Promise<R>,
  done: (result: R, order: A) => void,
  failed: (e: unknown, order: A) => void,
) {
  let running = false
  let waiting: { order: A } | undefined

  async function pump(order: A) {
    running = true
    try {
      done(await run(order), order)
    } catch (e) {
      failed(e, order)
    } finally {
      running = false
      if (waiting) {
        const next = waiting.order
        waiting = undefined
        void pump(next)
      }
    }
  }

  return (order: A) => {
    if (running) waiting = { order }
    else void pump(order)
  }
}
