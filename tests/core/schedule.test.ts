import { DAYS, makeSiteYear, yearStartUtc, type SiteYear } from '../../core/climate'
import { makeSunYear } from '../../core/climate/sun-year'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { MOVES } from '../../core/moves/registry'
import { coverDrawn as drawnBy } from '../../core/network/schedule'
import { clock, clockShares } from '../../core/people/clock'
import { sunDay } from '../../core/sun'

const demo = DEMOS[0]!
const at = (latitudeDeg: number, longitudeDeg = 14.9, timeZone = 'Europe/Vienna') => {
  const climate = demo.site.climate
  if (climate.kind !== 'normals') throw new Error('demo climates are normals')
  return makeSiteYear({ ...demo.site, latitudeDeg, longitudeDeg, timeZone, climate })
}
const coverDrawn = (site: SiteYear, by: Design['skin']['cover']) => drawnBy(site, by, demo.breathe.people)
const cover = (patch: Partial<Design['skin']['cover']>): Design['skin']['cover'] => ({
  ...demo.skin.cover,
  id: 'quilt',
  afterSunsetH: 0,
  afterSunriseH: 0,
  onlyBelowC: 40,
  ...patch,
})

test.each([
  [47.4, 14.9, 'Europe/Vienna'],
  [-46.2, -70.4, 'America/Argentina/Buenos_Aires'],
  [12, 100, 'Asia/Bangkok'],
])('at %d° the cover is open from sunrise to sunset on every day of the year', (lat, lon, zone) => {
  const site = at(lat, lon, zone)
  const drawn = coverDrawn(site, cover({}))
  for (let d = 0; d < DAYS; d++) {
    const open = 24 - drawn.subarray(d * 24, d * 24 + 24).reduce((s, v) => s + v, 0)
    const day = sunDay(yearStartUtc(site.standardOffsetH) + d * 86400000 + 43200000, lat, lon)
    expect(Math.abs(open - day.dayLengthH)).toBeLessThan(0.1)
    // It is never drawn in an hour of full sun.
    for (let k = 0; k < 24; k++) if (site.sunAltitudeDeg[d * 24 + k]! > 12) expect(drawn[d * 24 + k]).toBe(0)
  }
})

test('later opening and closing shift its hours; a warm night leaves it open; no cover is never drawn', () => {
  const site = at(47.4)
  const sum = (c: Design['skin']['cover']) => coverDrawn(site, c).reduce((s, v) => s + v, 0)
  const plain = sum(cover({}))
  expect(sum(cover({ afterSunriseH: 1 }))).toBeCloseTo(plain + 365, 0)
  expect(sum(cover({ afterSunsetH: 1 }))).toBeCloseTo(plain - 365, 0)
  expect(sum(cover({ onlyBelowC: 5 }))).toBeLessThan(plain * 0.8)
  expect(sum(cover({ id: 'none' }))).toBe(0)
  const drawn = coverDrawn(site, cover({ onlyBelowC: 0 }))
  drawn.forEach((v, h) => {
    if (site.dryBulbC[h]! >= 0) expect(v).toBe(0)
  })
})

test('polar night keeps it drawn, polar day open', () => {
  const site = at(72, 25, 'Europe/Oslo')
  const drawn = coverDrawn(site, cover({ onlyBelowC: 60 }))
  expect(drawn.subarray(0, 24).every(v => v === 1)).toBe(true)
  expect(drawn.subarray(172 * 24, 173 * 24).every(v => v === 0)).toBe(true)
})

test('the sun’s hours add up to the day’s length, and noon is where the sun stands highest', () => {
  for (const [lat, lon, offset] of [
    [47.4, 14.9, 1],
    [-46.2, -70.4, -3],
    [58, 25, 2],
  ] as const) {
    const sun = makeSunYear(lat, lon, offset)
    for (let d = 0; d < DAYS; d += 3) {
      const up = sun.upShare.subarray(d * 24, d * 24 + 24).reduce((s, v) => s + v, 0)
      const day = sunDay(yearStartUtc(offset) + d * 86400000 + 43200000, lat, lon)
      // Minutes in which only refraction shows the sun are left out: more of them the further from the equator.
      expect(Math.abs(up - day.dayLengthH)).toBeLessThan(0.45)
      const altitudes = [...sun.altitudeDeg.subarray(d * 24, d * 24 + 24)]
      expect(Math.abs(altitudes.indexOf(Math.max(...altitudes)) + 0.5 - sun.noonH[d]!)).toBeLessThanOrEqual(0.6)
    }
  }
})

describe('moved by hand', () => {
  const site = at(47.4)
  const byClock = { rule: 'clock', fromH: 17, untilH: 8 } as const
  const hand = (patch: Partial<Design['skin']['cover']>) =>
    coverDrawn(site, cover({ ...byClock, moved: 'hand', days: 'every day', thereFromH: 9, thereUntilH: 16, ...patch }))
  const hoursDrawn = (drawn: Float32Array, day: number) => {
    const out: number[] = []
    for (let k = 0; k < 24; k++) if (drawn[day * 24 + k]! > 0.5) out.push(k)
    return out
  }

  test('it is drawn as the last one leaves and opened when the first one comes: longer than it is wanted', () => {
    const drawn = hand({})
    // There from 9 to 16: drawn in the last hour, opened in the first.
    expect(hoursDrawn(drawn, 10)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 15, 16, 17, 18, 19, 20, 21, 22, 23])
    expect(hoursDrawn(coverDrawn(site, cover(byClock)), 10)).toEqual([
      0, 1, 2, 3, 4, 5, 6, 7, 17, 18, 19, 20, 21, 22, 23,
    ])
  })

  test('somebody who is there all the time moves it as a motor does', () => {
    expect(hand({ thereFromH: 0, thereUntilH: 24 })).toEqual(coverDrawn(site, cover(byClock)))
  })

  test('people at work, there at dawn and at dusk: open by day, drawn by night, as they leave it in the dark', () => {
    const bySun = { rule: 'sun', afterSunsetH: 0, afterSunriseH: 0, moved: 'hand', days: 'house' } as const
    const visits = [
      { who: '', days: 'every day' as const, fromH: 5, untilH: 6 },
      { who: '', days: 'every day' as const, fromH: 19, untilH: 20 },
    ]
    const work = (leaving: Design['skin']['cover']['leaving']) =>
      drawnBy(site, cover({ ...bySun, leaving }), { ...demo.breathe.people, visits })
    const [opens, keeps] = [work('opens'), work('keeps')]
    // On 11 January the sun is up from eight to half past four: they come and go in the dark.
    expect(hoursDrawn(opens, 10)).toEqual([0, 1, 2, 3, 4, 19, 20, 21, 22, 23])
    expect(hoursDrawn(keeps, 10)).toHaveLength(24)
    // On 20 May they come when it is light already, and draw it for the night as they leave.
    expect(hoursDrawn(opens, 139)).toEqual(hoursDrawn(keeps, 139))
    expect(hoursDrawn(opens, 139)).toEqual([0, 1, 2, 3, 4, 19, 20, 21, 22, 23])
    // Light that a year has: a motor’s, and next to none where it is left on.
    const lit = (drawn: Float32Array) =>
      site.globalWm2.subarray(0, 31 * 24).reduce((sum, w, h) => sum + w * (1 - drawn[h]!), 0)
    expect(lit(opens) / lit(coverDrawn(site, cover({ ...bySun, moved: 'motor' })))).toBeGreaterThan(0.95)
    expect(lit(keeps)).toBe(0)
  })

  test('who is there only at dusk has a dark house in winter; an hour in the morning gives it its days', () => {
    const bySun = { rule: 'sun', afterSunsetH: 0, afterSunriseH: 0, moved: 'hand', days: 'house' } as const
    const dusk = { who: '', days: 'every day' as const, fromH: 16, untilH: 17 }
    const design = {
      ...demo,
      skin: { ...demo.skin, cover: cover(bySun) },
      breathe: { ...demo.breathe, people: { ...demo.breathe.people, visits: [dusk] } },
    }
    const move = MOVES.find(m => m.id === 'cover-morning')!
    const mended = patchDesign(design, move.of(design)!)
    expect(move.of(mended)).toBeNull()
    expect(move.of({ ...design, skin: { ...design.skin, cover: cover({ ...bySun, moved: 'motor' }) } })).toBeNull()
    const drawn = (d: Design) => hoursDrawn(drawnBy(site, d.skin.cover, d.breathe.people), 10)
    expect(drawn(design)).toHaveLength(24)
    expect(drawn(mended)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 16, 17, 18, 19, 20, 21, 22, 23])
  })

  test('nobody leaves a house dark for days: it is left open over the days on which nobody comes', () => {
    const drawn = hand({ days: 'weekdays' })
    // 1 January counts as a Monday: day 4 is a Friday, 5 and 6 the weekend.
    expect(hoursDrawn(drawn, 3)).toContain(20)
    expect(hoursDrawn(drawn, 4)).not.toContain(20)
    expect(hoursDrawn(drawn, 5)).toEqual([])
    expect(hoursDrawn(drawn, 6)).toEqual([])
    expect(hoursDrawn(drawn, 7)).toContain(20)
  })

  test('forgotten nights: so many of each month, evenly over it, and each the whole night', () => {
    const kept = hand({})
    const drawn = hand({ forgotten: 3 })
    const open = Array.from({ length: DAYS - 1 }, (_, d) => d).filter(
      d => kept[d * 24 + 23]! > 0.5 && drawn[d * 24 + 23] === 0,
    )
    expect(open.filter(d => d < 31)).toHaveLength(3)
    expect(open.filter(d => d >= 31 && d < 59)).toHaveLength(3)
    for (const d of open) for (let h = d * 24 + 15; h < d * 24 + 33; h++) expect(drawn[h]).toBe(0)
    open.slice(1).forEach((d, i) => expect(d - open[i]!).toBeGreaterThan(7))
  })

  test('a warm night is left open by hand as well', () => {
    hand({ onlyBelowC: 5 }).forEach((w, h) => {
      const k = h % 24
      if (k > 10 && k < 15) expect(w).toBe(0)
    })
    expect(hand({ onlyBelowC: -60 }).every(w => w === 0)).toBe(true)
  })
})

test('as shade: drawn in bright sun while it is hot outside, and at night as ever', () => {
  const site = at(47.4)
  const nights = coverDrawn(site, cover({}))
  const shaded = coverDrawn(site, cover({ shades: true, shadeAboveC: 22 }))
  let more = 0
  shaded.forEach((w, h) => {
    const hot = site.dryBulbC[h]! > 22 && site.globalWm2[h]! > 300
    expect(w).toBe(hot ? 1 : nights[h])
    if (hot && nights[h]! < 1) more++
  })
  expect(more).toBeGreaterThan(100)
})

test('shares of the hours between two times of the clock add up to the time between, past midnight too', () => {
  for (const [fromH, untilH, hours] of [
    [5, 8, 3],
    [22, 6.5, 8.5],
    [9.25, 9.75, 0.5],
    [0, 24, 24],
    [7, 7, 0],
  ] as const) {
    const shares = clockShares(fromH, untilH)
    expect(shares).toHaveLength(24)
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(hours, 9)
    expect(Math.min(...shares)).toBeGreaterThanOrEqual(0)
    expect(Math.max(...shares)).toBeLessThanOrEqual(1)
  }
  expect([clock(0), clock(8.5), clock(20.25)]).toEqual(['0:00', '8:30', '20:15'])
})
