import { FAR_KM } from '../../core/advice/cautions'
import { distanceKm } from '../../core/climate/place-climate'
import type { HourlyClimate } from '../../core/design'
import { MOST_OTHER_YEARS } from '../../core/design/fields/climate'
import { measuredYears, withYears } from '../../core/editing/measured-years'
import type { EpwYear } from '../../formats/epw'
import { readWeatherFile } from '../composables/readWeatherFile'
import { useDesign } from '../stores/design'
import { useNotices } from '../stores/notices'

/**
 * Takes weather files in as the climate of the design on the bench: the first for the year that it is worked out in,
 * more of them as its other winters; or all beside the measured years that are there.
 */
export async function importWeather(picked: readonly File[], beside = false): Promise<boolean> {
  const [notices, bench] = [useNotices(), useDesign()]
  const read: EpwYear[] = []
  for (const file of picked) {
    const its = await readWeatherFile(file)
    if (!its.ok) {
      notices.tell('error', `${file.name} was not taken; nothing has changed.`, { lines: [its.message] })
      return false
    }
    read.push(its.epw)
  }
  const [epw, ...more] = read
  if (!epw) return false
  if (beside) {
    const away = read.find(r => distanceKm(r, bench.current.site) > FAR_KM)
    return addYears(
      read.map(r => r.climate),
      away && `${away.climate.source} is of ${away.place}, far from this site.`,
    )
  }
  const climate = withYears(
    epw.climate,
    more.map(r => measuredYears(r.climate)[0]!),
  )
  if (!climate) return tooMany()
  const { timeZoneOf } = await import('../../core/climate/zone-of-place')
  const refused = bench.edit(
    [
      ['site.climate', climate],
      ['site.place', epw.place.slice(0, 120)],
      ['site.latitudeDeg', epw.latitudeDeg],
      ['site.longitudeDeg', epw.longitudeDeg],
      ['site.elevationM', Math.round(epw.elevationM)],
      ['site.timeZone', timeZoneOf(epw.latitudeDeg, epw.longitudeDeg)],
    ],
    `epw ${epw.climate.source}`,
  )
  const { source, notes } = epw.climate
  if (refused) notices.tell('error', `${source} was not taken; nothing has changed.`, { lines: [refused] })
  else
    notices.tell('info', `${source}: a year of 8760 hours is in use.`, {
      lines: more.length > 0 ? [...notes, `With it, ${more.length} other winters.`] : notes,
    })
  return refused === null
}

function tooMany(): boolean {
  useNotices().tell('error', 'These are too many years; nothing has changed.', {
    lines: [`Up to ${MOST_OTHER_YEARS + 1} may stand beside each other.`],
  })
  return false
}

/** Takes more measured years in beside those that the design on the bench has. */
export function addYears(years: readonly HourlyClimate[], caution?: string): boolean {
  const [notices, bench] = [useNotices(), useDesign()]
  const { climate } = bench.current.site
  if (climate.kind !== 'hourly') return false
  const all = withYears(
    climate,
    years.map(y => measuredYears(y)[0]!),
  )
  if (!all) return tooMany()
  const refused = bench.edit([['site.climate', all]], 'more measured years')
  if (refused) notices.tell('error', 'They were not taken; nothing has changed.', { lines: [refused] })
  else
    notices.tell(
      caution ? 'warning' : 'info',
      `${measuredYears(all).length} measured winters stand beside each other.`,
      { lines: caution ? [caution] : [] },
    )
  return refused === null
}
