import { MONTH_NAMES } from '../climate/types'
import { fieldsAlong } from './look'
import type { Design, Fault } from './types'

/** Places within the climate, which is checked by a function of its own. */
const CLIMATE: Record<string, string> = {
  designLowC: 'Coldest night of the year',
  meanYearlyLowC: 'Mean of each winter’s coldest hour',
  coldestMonthC: 'Mean of the coldest month remembered',
  others: 'Other measured years',
  designHighC: 'Hottest afternoon of the year',
}

/** Words of places within the climate; null for other places. */
function climateInWords(path: string): string | null {
  const [, key, month] = /^site\.climate\.(\w+)(?:\[(\d+)\])?/.exec(path) ?? []
  if (!key) return null
  if (month && (key === 'lowC' || key === 'highC'))
    return `${MONTH_NAMES[Number(month)] ?? 'Month'} ${key === 'lowC' ? 'low' : 'high'}`
  return CLIMATE[key] ?? 'Climate'
}

/** A path of the document in the reader's words: “Bed 1, wide”, “April low”. A list's members are counted from one. */
export function pathInWords(path: string, design: Design | null = null): string {
  const climate = climateInWords(path)
  if (climate) return climate
  let known = path
  let along = fieldsAlong(known, design)
  while (!along && known !== '') {
    known = known.replace(/\.?[^.]*$/, '')
    along = fieldsAlong(known, design)
  }
  const number = String(Number(/\[(\d+)\]/.exec(path)?.[1] ?? 0) + 1)
  const labels = (along ?? [])
    .filter((f, i, all) => !(f.kind === 'list' && i < all.length - 1 && all[i + 1]!.label !== ''))
    .map(f => f.label.replace('#', number))
    .filter(Boolean)
  // The chapter is named where nothing else is.
  const told = labels.length > 1 ? labels.slice(1) : labels
  const lower = (s: string) => s.charAt(0).toLowerCase() + s.slice(1)
  return told.length === 0 ? 'The design' : told.map((s, i) => (i === 0 ? s : lower(s))).join(', ')
}

/** What the reader calls one of the beds. */
export const bedName = (beds: readonly unknown[], index: number): string =>
  beds.length > 1 ? `Bed ${index + 1}` : 'Bed'

/** A fault of a design as a sentence for a screen. */
export function faultWords(fault: Fault, design: Design | null = null): string {
  return `${pathInWords(fault.path, design)}: ${fault.message}. Allowed: ${fault.allowed}.`
}
