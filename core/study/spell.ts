import { leavesBearC } from '../aim/aim-line'
import { dayName, DAYS, dullDaysBefore, HOURS, MONTH_OF_DAY, type SiteYear } from '../climate'
import type { Design, Spell } from '../design/types'
import type { YearResult } from '../year'

/** A day of a spell as the house stood it. */
export interface SpellDay {
  /** Day of the year, 1 to 365, and in words. */
  day: number
  date: string
  outsideMinC: number
  insideMinC: number
  /** The topmost leaf's coldest hour, °C. */
  leafMinC: number
  /** Means of the day, °C; null without water. */
  waterC: number | null
  soilC: number
  /** Coldest soil of any bed in the day, °C. */
  soilMinC: number
  /** Most of all water that was ice, 0–1. */
  iceShare: number
  topUpKWh: number
}

/** A spell that is asked for; without a first day it ends in the middle of the coldest month. */
export interface AskedSpell {
  dullDays: number
  clearDays: number
  lowC: number
  startDay: number | null
}

/** What can fail in a spell, in the order in which one would mind. */
export const FAILURES = {
  leaf: 'The topmost leaves grow colder than what lives there bears',
  fish: 'The water grows colder than its fish bear',
  soil: 'The soil of a bed freezes',
  water: 'Water freezes',
} as const
export type Failure = keyof typeof FAILURES

export interface SpellAnswer {
  spell: Spell
  days: SpellDay[]
  /** The first hour at which something failed; null where all stood it. */
  firstFailure: {
    day: number
    date: string
    hour: number
    what: Failure
    words: string
    /** Colder than this it fails, °C. */
    belowC: number
  } | null
}

/** Day of the year, 0-based, on which a spell begins unless it is said: it ends in the middle of the coldest month. */
export function usualStart(outsideC: Float32Array, days: number): number {
  let coldest = 0
  let least = Infinity
  for (let d = 0; d < DAYS; d++) {
    let sum = 0
    for (let k = -15 * 24; k < 16 * 24; k++) sum += outsideC[(d * 24 + k + HOURS) % HOURS]!
    if (sum < least) {
      least = sum
      coldest = d
    }
  }
  return (coldest - days + DAYS) % DAYS
}

/** Clear nights at the end of a spell, unless it is said: heat that is kept is gone by then. */
const USUAL_CLEAR_DAYS = 3

/** A spell as a place knows it, and how many winters were looked at. */
export interface UsualSpell {
  spell: Omit<AskedSpell, 'startDay'>
  winters: number
}

/** Days before and after a coldest one that are its winter. */
const WINTER_DAYS = 45

/**
 * A spell as hard as a place knows it: down to the lowest night of some winters, after as many dull days in a row as
 * the middle one of them brings at its longest.
 * @param winters at least one
 */
export function usualSpell(winters: readonly SiteYear[]): UsualSpell {
  const coldest = winters.map(({ dryBulbC }) => dryBulbC.indexOf(Math.min(...dryBulbC)))
  const longest = (w: SiteYear, day: number) => {
    let most = 0
    for (let d = -WINTER_DAYS; d <= WINTER_DAYS; d++) most = Math.max(most, dullDaysBefore(w, day + d))
    return most
  }
  const dull = winters.map((w, i) => longest(w, Math.floor(coldest[i]! / 24))).sort((a, b) => a - b)
  return {
    spell: {
      dullDays: dull[dull.length >> 1]!,
      clearDays: USUAL_CLEAR_DAYS,
      lowC: Math.floor(Math.min(...winters.map((w, i) => w.dryBulbC[coldest[i]!]!))),
    },
    winters: winters.length,
  }
}

/** A design whose year has a spell in it, in place of any that it had. */
export const withSpellDays = (design: Design, spell: Spell): Design => ({ ...design, site: { ...design.site, spell } })

/** Reads a spell's days off the year that has it. `result` is that of {@link withSpellDays}. */
export function spellAnswer(design: Design, { series, site }: YearResult, spell: Spell): SpellAnswer {
  const ponds = design.store.bodies.flatMap((body, i) =>
    'lifeLowestC' in body && body.lifeLowestC !== null
      ? [{ waterC: series.bodies[i]!.middleC, bearsC: body.lifeLowestC }]
      : [],
  )
  const days: SpellDay[] = []
  let firstFailure: SpellAnswer['firstFailure'] = null
  for (let i = 0; i < spell.dullDays + spell.clearDays; i++) {
    const d = (spell.startDay + i) % DAYS
    const bears = leavesBearC(design.aim, MONTH_OF_DAY[d]!) ?? -Infinity
    const day: SpellDay = {
      day: d + 1,
      date: dayName(d),
      outsideMinC: Infinity,
      insideMinC: Infinity,
      leafMinC: Infinity,
      waterC: 0,
      soilC: 0,
      soilMinC: Infinity,
      iceShare: 0,
      topUpKWh: 0,
    }
    for (let h = d * 24; h < d * 24 + 24; h++) {
      const soil = series.bedsC.length > 0 ? Math.min(...series.bedsC.map(b => b[h]!)) : series.soilC[h]!
      day.outsideMinC = Math.min(day.outsideMinC, site.dryBulbC[h]!)
      day.insideMinC = Math.min(day.insideMinC, series.airC[h]!)
      day.leafMinC = Math.min(day.leafMinC, series.leafC[h]!)
      day.waterC! += series.waterC[h]! / 24
      day.soilC += series.soilC[h]! / 24
      day.soilMinC = Math.min(day.soilMinC, soil)
      day.iceShare = Math.max(day.iceShare, series.iceShare[h]!)
      day.topUpKWh += series.heaterW[h]! / 1000
      const pond = ponds.find(p => p.waterC[h]! < p.bearsC)
      const what: Failure | null =
        series.leafC[h]! < bears ? 'leaf' : pond ? 'fish' : soil < 0 ? 'soil' : series.iceShare[h]! > 0 ? 'water' : null
      if (what && !firstFailure)
        firstFailure = {
          day: d + 1,
          date: day.date,
          hour: h % 24,
          what,
          words: FAILURES[what],
          belowC: what === 'leaf' ? bears : what === 'fish' ? pond!.bearsC : 0,
        }
    }
    if (Number.isNaN(day.waterC)) day.waterC = null
    days.push(day)
  }
  return { spell, days, firstFailure }
}
