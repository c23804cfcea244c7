/** Longest that a page is kept from answering, ms. */
const LONGEST_MS = 12

/** A rest that lets the page answer whenever work on its own thread has lasted a little. */
export function restOften(): () => Promise<void> {
  let since = performance.now()
  return async () => {
    if (performance.now() - since < LONGEST_MS) return
    await new Promise(resolve => setTimeout(resolve))
    since = performance.now()
  }
}
