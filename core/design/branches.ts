/**
 * A value whose branches that have not changed are those of an earlier one, so that what has changed can be told by
 * reference. Two branches are the same when all that hangs on them is. The values are plain JSON data and stay as they
 * are.
 */
export function withSharedBranches<T>(value: T, earlier: unknown): T {
  if (
    value === earlier ||
    typeof value !== 'object' ||
    value === null ||
    typeof earlier !== 'object' ||
    earlier === null
  )
    return value
  if (Array.isArray(value)) return sharedList(value, earlier) as T
  if (Array.isArray(earlier)) return value
  const old = earlier as Record<string, unknown>
  const keys = Object.keys(value)
  const out: Record<string, unknown> = {}
  let same = keys.length === Object.keys(old).length
  for (const key of keys) {
    const branch = (value as Record<string, unknown>)[key]
    out[key] = withSharedBranches(branch, old[key])
    same &&= Object.is(out[key], old[key]) && Object.hasOwn(old, key)
  }
  return (same ? old : out) as T
}

function sharedList(value: readonly unknown[], earlier: unknown): unknown {
  if (!Array.isArray(earlier)) return value
  let same = value.length === earlier.length
  // Hourly series are long: nothing is made anew while nothing differs.
  if (same && typeof value[0] !== 'object') same = value.every((v, i) => Object.is(v, earlier[i]))
  else {
    const out = value.map((v, i) => withSharedBranches(v, earlier[i]))
    same &&= out.every((v, i) => Object.is(v, earlier[i]))
    if (!same) return out
  }
  return same ? earlier : value
}
