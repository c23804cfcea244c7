import { makeSiteYear, type WeatherYear } from '../core/climate'
import type { Design, HourlyClimate } from '../core/design'

/** A design with its own made year as an hourly climate, which a file would give. */
export function withHours(
  design: Design,
  change: Partial<Record<keyof WeatherYear, (v: number) => number>> = {},
): Design {
  const year = makeSiteYear(design.site as Parameters<typeof makeSiteYear>[0])
  const series = Object.fromEntries(
    (
      [
        'dryBulbC',
        'dewPointC',
        'pressurePa',
        'globalWm2',
        'beamWm2',
        'diffuseWm2',
        'skyInfraredWm2',
        'windMs',
        'cloud',
      ] as const
    ).map(k => [k, Array.from(year[k], change[k] ?? (v => v))]),
  )
  return {
    ...design,
    site: {
      ...design.site,
      climate: { kind: 'hourly', source: 'station.epw', notes: [], ...series } as unknown as HourlyClimate,
    },
  }
}
