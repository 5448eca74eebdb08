/**
 * Runs one request at a time and keeps only the newest order waiting: what a drag needs. Whoever gives an order may wait until no more is
 * left to do. What was ordered before {@link Latest.forget} is answered to nobody.
 */
export interface Latest<A> {
  (order: A): Promise<void>
  forget: () => void
}

export function latestOnly<A, R>(
  run: (order: A) => Promise<R>,
  done: (result: R, order: A) => void,
  failed: (e: unknown, order: A) => void,
): Latest<A> {
  let waiting: { order: A } | undefined
  let working: Promise<void> | undefined
  let forgotten = 0

  async function work(order: A): Promise<void> {
    const then = forgotten
    try {
      const result = await run(order)
      if (then === forgotten) done(result, order)
    } catch (e) {
      if (then === forgotten) failed(e, order)
    } finally {
      const next = waiting
      waiting = undefined
      working = next && work(next.order)
    }
    await working
  }

  const order = (order: A): Promise<void> => {
    if (working) waiting = { order }
    else working = work(order)
    return working
  }
  return Object.assign(order, {
    forget: () => {
      forgotten++
      waiting = undefined
    },
  })
}
