import { openingKind, type Opening } from './registry'

/** Fields of how an opening opens that matter for the way that is chosen. */
const OF_WAY: Record<string, readonly string[]> = {
  wax: ['startC', 'fullC', 'hysteresisK', 'lagS'],
  motor: ['startC', 'fullC', 'hysteresisK'],
  hand: ['startC', 'hysteresisK', 'days', 'fromH', 'untilH', 'leftAjar'],
  season: ['fromMonth', 'untilMonth'],
  shut: [],
}
const OF_WINTER = { dates: ['winterFromMonth', 'winterUntilMonth'], cold: ['winterBelowC'] }
const WAYS = new Set(['how', ...Object.values(OF_WAY).flat(), 'winter', 'winterBy', ...Object.values(OF_WINTER).flat()])

/** How an opening opens as it is set now, by its fields. */
export function usedWays(opening: Opening): string[] {
  const opener = openingKind(opening).opener(opening)
  const byHouse = opener.how === 'hand' && opener.days === 'house'
  return [
    'how',
    ...OF_WAY[opener.how]!.filter(f => !byHouse || (f !== 'fromH' && f !== 'untilH')),
    'winter',
    ...(opener.winter === 'as ever' ? [] : ['winterBy', ...OF_WINTER[opener.winterBy]]),
  ]
}

/** Fields of an opening that do something as it is set now: its own, and then how it opens. */
export function usedFields(opening: Opening): string[] {
  const own = Object.keys(openingKind(opening).fields.fields).filter(f => f !== 'kind' && !WAYS.has(f))
  const leaf = openingKind(opening).leaf(opening)
  const glazed = leaf !== null && (leaf.made === 'glazed' || leaf.glazedShare > 0)
  const spread = 'evenly' in opening && opening.evenly === 'spread'
  const idle = [...(glazed ? [] : ['glazing']), ...(spread ? ['offsetM'] : [])]
  return [...own.filter(f => !idle.includes(f)), ...usedWays(opening)]
}
