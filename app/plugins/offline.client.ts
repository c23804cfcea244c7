import { BENCH_STATES } from '~/keeping/states'

/** Once its own work is done, the page keeps all of its files, so that it opens without a network and a server. */
export default defineNuxtPlugin(nuxt => {
  if (!('serviceWorker' in navigator) || import.meta.dev) return
  let taken = false
  async function begin(): Promise<void> {
    const { Workbox } = await import('workbox-window')
    const worker = new Workbox('/sw.js')
    const keeping = useKeeping()
    /** Goes over to the new version, with all work kept; what stands in memory alone would be gone. */
    async function goOver(): Promise<void> {
      await keeping.flush()
      if (!keeping.isSafe)
        return void useNotices().tell('warning', 'The new version waits: not all of your work is kept yet.', {
          lines: [BENCH_STATES[keeping.lasting ? keeping.state : 'memory'].about],
          action: { label: 'Try again', run: () => void goOver() },
          seconds: 120,
        })
      taken = true
      worker.messageSkipWaiting()
    }
    worker.addEventListener('waiting', () => {
      useNotices().tell('info', 'A new version of Tierra is here. It is used from the next time that you open it.', {
        seconds: 120,
        action: { label: 'Use it now', run: () => void goOver() },
      })
    })
    worker.addEventListener('controlling', () => {
      // Never by itself in the middle of work: only where somebody asked for it, with all of it kept.
      if (taken)
        void useKeeping()
          .flush()
          .finally(() => location.reload())
    })
    await worker.register().catch(() => undefined)
  }
  /** Where the network goes just then, the next load begins. */
  const tryToBegin = () => void begin().catch(() => undefined)
  // After the first score: its files go before those that are kept for later.
  nuxt.hook('app:mounted', () => {
    if (location.pathname !== '/') return tryToBegin()
    const stop = watch(
      () => useYear().view !== null,
      there => {
        if (!there) return
        queueMicrotask(() => stop())
        setTimeout(tryToBegin, 1500)
      },
      { immediate: true },
    )
  })
})
