import type { Answers } from '../answers'
import { HOURS } from '../climate/types'
import type { Show } from '../units'
import type { YearView } from '../view'
import { listed } from '../text/listed'

/** What would have helped most of the changes that were tried. */
export interface Helped {
  words: string
  gainK: number
}

/** So many days before a worst night tell of it. */
const BEFORE_DAYS = 3
/** Under this a share of the loss is not worth a word. */
const LEAST_SHARE = 0.08
const percent = (share: number) => `${Math.round(share * 100)}\u00a0%`

/** Mean of a series over so many hours up to one, the year taken as a ring. */
function meanBefore(series: Float32Array, hour: number, hours: number): number {
  let sum = 0
  for (let k = 0; k < hours; k++) sum += series[(hour - k + HOURS) % HOURS]!
  return sum / hours
}

/**
 * Why the worst night was the worst, sentence by sentence from the year's own numbers: the weather before it, what each
 * body had left, where the heat went, what the cover did, and what would have helped.
 */
export function whyWorst(
  answers: Answers,
  { hours, bodiesC }: Pick<YearView, 'hours' | 'bodiesC'>,
  show: Show,
  helped: Helped | null = null,
): string[] {
  const { coldestNight: night } = answers
  const t = (c: number) => show(c, 'temperature')
  const clock = night.at.slice(11, 16)
  const said = [
    `On ${night.day} at ${clock} the air inside fell to ${t(night.insideC)} while it was ${t(night.outsideC)} outside.`,
  ]
  const span = BEFORE_DAYS * 24
  const meanC = meanBefore(hours.outsideC, night.hour, span)
  const sunKWh = (meanBefore(hours.globalWm2, night.hour, span) * 24) / 1000
  const usualKWh = (meanBefore(hours.globalWm2, night.hour + 15 * 24, 31 * 24) * 24) / 1000
  const dull =
    night.dullDaysBefore === 0
      ? 'No dull day went before'
      : `${night.dullDaysBefore === 1 ? 'One dull day' : `${night.dullDaysBefore} dull days`} went before`
  said.push(
    `${dull}. The ${BEFORE_DAYS} days up to it brought ${show(sunKWh * 3.6e6, 'insolation')} of sun a day, ` +
      `${percent(sunKWh / Math.max(0.01, usualKWh))} of that month’s mean, and had ${t(meanC)} outside by day and ` +
      `night.`,
  )
  const wind = meanBefore(hours.windMs, night.hour, 12)
  const evening = (night.hour - 12 + HOURS) % HOURS
  const left = answers.bodies.map(b => {
    const c = bodiesC[b.index]!
    return `${b.name.toLowerCase()} began the night at ${t(c[evening]!)} and had ${t(c[night.hour]!)} left`
  })
  if (left.length > 0) {
    const share = answers.bodies.reduce((sum, b) => sum + Math.max(0, b.night.share), 0)
    said.push(`The ${listed(left)}; together they gave back ${percent(share)} of what was lost.`)
  } else said.push('Nothing stands inside that keeps heat for the night but soil and floor.')
  const ways = answers.worstNightLosses.filter(l => l.share >= LEAST_SHARE)
  const all = answers.worstNightLosses.reduce((sum, l) => sum + l.watts, 0)
  said.push(
    `It lost ${show(all, 'power')} through the night: ${listed(ways.map(l => `${l.name} ${percent(l.share)}`))}` +
      `${wind >= 4 ? `, in a wind of ${show(wind, 'speed')}` : ''}.`,
  )
  if (night.untilOpened)
    said.push(
      `It was ${t(night.untilOpened.insideC)} until the cover was opened at ${night.untilOpened.clock}: the rest is ` +
        `the cover’s doing.`,
    )
  const heat = meanBefore(hours.heaterW, night.hour, 12)
  if (heat > 1) said.push(`Added heat brought ${show(heat, 'power')} of it.`)
  if (helped && helped.gainK > 0)
    said.push(
      `Of all single changes this would have helped most: ${helped.words.charAt(0).toLowerCase()}` +
        `${helped.words.slice(1)}, ${show(helped.gainK, 'temperatureDifference')} warmer.`,
    )
  return said
}
