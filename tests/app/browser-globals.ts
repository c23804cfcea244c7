// Vue looks for a document as it loads, and must find none.
import 'vue'

/** Timers of messages that nobody waits for must not keep the run alive. */
const plain = globalThis.setTimeout
globalThis.setTimeout = ((...args: Parameters<typeof plain>) => plain(...args).unref()) as typeof plain

/** A memory in place of the browser's, and a window that hears nothing: what the stores touch outside Vue. */
function storage() {
  const kept = new Map<string, string>()
  return {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
    clear: () => kept.clear(),
    key: (i: number) => [...kept.keys()][i] ?? null,
    get length() {
      return kept.size
    },
  }
}
Object.assign(globalThis, {
  localStorage: storage(),
  sessionStorage: storage(),
  window: { addEventListener: () => {}, matchMedia: () => ({ matches: false }) },
  document: { addEventListener: () => {}, visibilityState: 'visible', documentElement: { dataset: {} } },
  // Tabs meet in the store alone; the channel only tells them sooner.
  BroadcastChannel: undefined,
})
