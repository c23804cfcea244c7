/** What was filled in a series: how many values, the longest run, and where that begins. */
export interface Filled {
  count: number
  longest: number
  at: number
}

/** Crosses missing values (NaN) by straight lines; at either end the nearest value stands. Works in place. */
export function crossGaps(values: Float64Array): Filled {
  const filled: Filled = { count: 0, longest: 0, at: 0 }
  for (let h = 0; h < values.length; h++) {
    if (!Number.isNaN(values[h]!)) continue
    let end = h
    while (end < values.length && Number.isNaN(values[end]!)) end++
    if (end - h > filled.longest) {
      filled.longest = end - h
      filled.at = h
    }
    filled.count += end - h
    const before = h > 0 ? values[h - 1]! : NaN
    const after = end < values.length ? values[end]! : NaN
    const a = Number.isNaN(before) ? after : before
    const b = Number.isNaN(after) ? before : after
    for (let i = h; i < end; i++) values[i] = a + ((b - a) * (i - h + 1)) / (end - h + 1)
    h = end
  }
  return filled
}
