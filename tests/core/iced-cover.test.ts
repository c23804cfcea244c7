import { designCautions } from '../../core/advice/cautions'
import { fittedCover, NIGHT_COVERS } from '../../core/catalog'
import { HOURS, humidityRatio, vapourAtDewPointPa } from '../../core/climate'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { icedCover } from '../../core/network/iced-cover'
import { unheated } from '../added'
import { hourly as engine } from '../shared/years'

const PA = 101325
/** Weather alike day after day: air, sky and dew point, °C, and a sun from nine to three, W/m². */
function weather({ airC = -6, skyC = -22, dewC = -7, sunWm2 = 0, windMs = 1, snowsAt = -1 }) {
  const all = (v: number) => new Float32Array(HOURS).fill(v)
  return {
    dryBulbC: all(airC),
    skyC: all(skyC),
    windMs: all(windMs),
    globalWm2: Float32Array.from({ length: HOURS }, (_, h) => (h % 24 >= 9 && h % 24 < 15 ? sunWm2 : 0)),
    humidityRatio: all(humidityRatio(vapourAtDewPointPa(dewC), PA)),
    pressurePa: all(PA),
    snowM: Float32Array.from({ length: HOURS }, (_, h) => (h >= snowsAt && snowsAt >= 0 ? 0.05 : 0)),
  }
}
const sum = (v: ArrayLike<number>) => Array.from(v).reduce((a, b) => a + b, 0)

describe('what lies on a cover outside', () => {
  test('hoar gathers under a clear sky by the Lewis number, and holds it fast below freezing', () => {
    const { waterKgM2, fast } = icedCover(weather({}), 1.5)
    expect(sum(fast)).toBeGreaterThan(8000)
    expect(Math.max(...waterKgM2)).toBeCloseTo(2.1, 5)
    // An hour of it by hand: 5.8 W/m²K to the air, 3.6 to the sky, the face at −12.2 °C, h/(cp·Le^⅔) times the vapour.
    const one = icedCover({ ...weather({}), dryBulbC: weather({}).dryBulbC.map((t, h) => (h < 100 ? 30 : t)) }, 1.5)
    const grows = one.waterKgM2[102]! - one.waterKgM2[101]!
    expect(grows).toBeGreaterThan(0.012)
    expect(grows).toBeLessThan(0.022)
  })

  test('dry air, or a sky as warm as the air, leaves it free; so does frost without a wet', () => {
    expect(sum(icedCover(weather({ dewC: -25 }), 1.5).fast)).toBe(0)
    expect(sum(icedCover(weather({ skyC: -6, dewC: -8 }), 1.5).fast)).toBe(0)
    expect(sum(icedCover(weather({ airC: 8, skyC: 3, dewC: 7 }), 1.5).fast)).toBe(0)
  })

  test('the sun thaws it in the morning; snow that falls on it holds it, and goes in the end', () => {
    const { fast } = icedCover(weather({ sunWm2: 500 }), 1.5)
    expect(fast[24 * 30 + 12]).toBe(0)
    const snow = icedCover(weather({ snowsAt: 1000, dewC: -20, skyC: -12 }), 1.5)
    expect(snow.fast[990]).toBe(0)
    expect(snow.fast[1005]).toBe(1)
    expect(snow.fast[1600]).toBe(0)
  })
})

describe('a house under it', () => {
  const house = (place: 'inside' | 'outside' | 'between', moved: 'motor' | 'hand' = 'motor'): Design =>
    patchDesign(unheated(DEMOS[0]!), [
      ['skin.cover.id', 'quilt'],
      ['skin.cover.place', place],
      ['skin.cover.rule', 'cold'],
      ['skin.cover.moved', moved],
      ['skin.cover.days', 'every day'],
      ['skin.cover.thereFromH', 0],
      ['skin.cover.thereUntilH', 24],
    ])
  const of = (design: Design) => engine.run(design)

  test('outside it lies on past sunrise on frosty mornings, by hand or by motor, and the beds lose that light', () => {
    const [inside, between, outside] = (['inside', 'between', 'outside'] as const).map(p => of(house(p)))
    expect(inside!.answers.coverStuck).toEqual({ hours: 0, days: 0 })
    expect(between!.answers.coverStuck).toEqual({ hours: 0, days: 0 })
    const { hours, days } = outside!.answers.coverStuck
    expect(days).toBeGreaterThan(20)
    expect(hours).toBeGreaterThan(days)
    expect(of(house('outside', 'hand')).answers.coverStuck.days).toBeGreaterThan(20)
    const december = (r: ReturnType<typeof of>) => r.answers.months[11]!.dli
    expect(december(outside!)).toBeLessThan(0.95 * december(inside!))
    // It holds on only where it was drawn, and never in summer.
    outside!.series.coverStuck.forEach((share, h) => {
      if (share > 0) expect(outside!.series.coverDrawn[h]!).toBeGreaterThan(0)
    })
    expect(sum(outside!.series.coverStuck.subarray(4000, 5800))).toBe(0)
    const told = designCautions(house('outside'), outside!.answers).map(c => c.text)
    expect(told.find(t => /freezes down/.test(t))).toMatch(
      new RegExp(`on ${days} mornings .+ ${hours} hours longer .+ keeps 0.74.m²K/W, dry 0.90`),
    )
    expect(designCautions(house('between'), between!.answers).some(c => /freezes down/.test(c.text))).toBe(false)
  })

  test('a cloth full of water keeps less, never more', () => {
    for (const c of NIGHT_COVERS) expect(c.wetResistance).toBeLessThanOrEqual(c.resistance)
    // Fibres by ISO 10456: 1.5 kg in 30 mm are a twentieth of its volume, and pass a fifth more.
    const quilt = fittedCover({ id: 'quilt', fit: 'usual' })
    expect(quilt.wetResistance / quilt.resistance).toBeCloseTo(Math.exp(-4 * (quilt.holdsKgM2 / 1000 / 0.03)), 1)
  })
})
