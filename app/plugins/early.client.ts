/** The page is made once its design is known, or after this long, ms. */
const PATIENCE_MS = 800

/**
 * Before the page is made, the worker starts and the store is opened: the first score waits for these two, and works
 * itself out while the page is made. A store that is slow holds nothing up.
 */
export default defineNuxtPlugin(async () => {
  if (location.pathname !== '/') return
  useYear().warm()
  await Promise.race([
    useKeeping().start(new URLSearchParams(location.search).get('d')),
    new Promise(resolve => setTimeout(resolve, PATIENCE_MS)),
  ])
})
