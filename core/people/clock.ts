/** Share of the hour from k to k + 1 that lies between two times of the clock, which may span midnight. */
export function clockShare(k: number, fromH: number, untilH: number): number {
  const within = (a: number, b: number) => Math.max(0, Math.min(k + 1, b) - Math.max(k, a))
  return fromH <= untilH ? within(fromH, untilH) : within(fromH, 24) + within(0, untilH)
}

/** The same for each hour of the day. */
export const clockShares = (fromH: number, untilH: number): number[] =>
  Array.from({ length: 24 }, (_, k) => clockShare(k, fromH, untilH))

/** A time of the clock as people write it. */
export const clock = (hour: number): string =>
  `${Math.floor(hour)}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`
