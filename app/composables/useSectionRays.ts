import { dayName } from '../../core/climate'
import type { Design } from '../../core/design'
import { sunnyAzimuthDeg } from '../../core/geometry/section'
import { profileAngleDeg } from '../../core/sun'
import type { YearView } from '../../core/view'

/** A ray to draw: its slope in the section and how to name it. */
export interface DrawnRay {
  kind: 'cold' | 'hot' | 'hour'
  altitudeDeg: number
  /** 0–180; null when the sun is down. */
  profileDeg: number | null
  label: string
}

/** The rays of the design days, or of the chosen hour of a chosen day. */
export function sectionRays(design: Design, view: YearView | null, day: number | null, hour: number): DrawnRay[] {
  if (!view) return []
  const sunny = sunnyAzimuthDeg(design.site.latitudeDeg, design.shape.turnDeg)
  const profile = (altitude: number, azimuth: number) =>
    altitude > 0 ? profileAngleDeg(altitude, azimuth, sunny) : null
  if (day !== null) {
    const h = day * 24 + hour
    const altitude = view.hours.sunAltitudeDeg[h]!
    const text =
      altitude > 0
        ? `${altitude.toFixed(1)}° at ${String(hour).padStart(2, '0')}:30, ${dayName(day)}`
        : `sun down at ${String(hour).padStart(2, '0')}:30, ${dayName(day)}`
    return [
      { kind: 'hour', altitudeDeg: altitude, profileDeg: profile(altitude, view.hours.sunAzimuthDeg[h]!), label: text },
    ]
  }
  const noon = (kind: 'cold' | 'hot', words: string): DrawnRay => {
    const d = view[kind]
    return {
      kind,
      altitudeDeg: d.noonAltitudeDeg,
      profileDeg: profile(d.noonAltitudeDeg, d.noonAzimuthDeg),
      label: `${d.noonAltitudeDeg.toFixed(1)}° noon, ${dayName(d.day)}: ${words}`,
    }
  }
  return [noon('hot', 'warmest month'), noon('cold', 'coldest month')]
}
