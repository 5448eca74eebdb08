/**
 * Runs one request at a time and keeps only the newest order waiting: what a drag needs. Whoever gives an order may wait until no more is
 * left to do.
 */
export function latestOnly<A, R>(
  run: (order: A) => Promise<R>,
  done: (result: R, order: A) => void,
  failed: (e: unknown, order: A) => void,
) {
  let waiting: { order: A } | undefined
  let working: Promise<void> | undefined

  async function work(order: A): Promise<void> {
    try {
      done(await run(order), order)
    } catch (e) {
      failed(e, order)
    } finally {
      const next = waiting
      waiting = undefined
      working = next && work(next.order)
    }
    await working
  }

  return (order: A): Promise<void> => {
    if (working) waiting = { order }
    else working = work(order)
    return working
  }
}
