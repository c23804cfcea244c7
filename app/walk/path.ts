/** The stops of the walk in their order. What each says comes with the walk itself (`stops.ts`). */
export const PATH = ['ridge', 'cover', 'drums', 'why', 'ladder', 'yours'] as const
export type StopId = (typeof PATH)[number]
