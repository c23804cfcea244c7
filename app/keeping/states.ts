/** In what state the design on the bench is kept, in words, and what can be done about it. */
export const BENCH_STATES = {
  opening: { words: 'opening', about: 'The browser’s store is being opened.', calm: true },
  kept: { words: 'kept', about: 'All of it is in this browser’s store.', calm: true },
  keeping: { words: 'keeping …', about: 'The last change is on its way to the store.', calm: true },
  memory: {
    words: 'in memory only',
    about: 'The store is blocked or full and is tried again by itself. Export what you want to have again.',
    calm: false,
  },
  conflict: {
    words: 'changed in two tabs',
    about: 'Nothing is overwritten: choose one of the two, or keep both.',
    calm: false,
  },
  deleted: { words: 'deleted in another tab', about: 'Keep it, or let it go.', calm: false },
  unreadable: {
    words: 'cannot be read in the store',
    about: 'What lies there is left as it is; keep yours as a design of its own.',
    calm: false,
  },
} as const
export type BenchState = keyof typeof BENCH_STATES

/** States in which nothing is saved until a person has chosen. */
export const isHeld = (state: BenchState): boolean =>
  state === 'conflict' || state === 'deleted' || state === 'unreadable'
