import fc from 'fast-check'
import { DEMOS, type Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { bankedShares, BANKS, shareUnder, slidPile, snowBanks } from '../../core/optics/snow'
import { bankedNight } from '../proof/snow'
import { unheated } from '../added'
import { hourly as engine } from '../shared/years'

const site = (depths: readonly number[]) => ({
  snowM: Float32Array.from({ length: 8760 }, (_, h) => depths[Math.floor(h / 24) % depths.length]!),
})
const slopes = { sunnySlopeM: 4, poleSlopeM: 2 }
const snowy = DEMOS[2]!

test('a bank is no lower than the snow outside, higher under the longer slope, and gone with the snow', () => {
  const [sunny, pole, ends] = snowBanks(site([0, 0.3, 0.5, 0.2, 0]), slopes, 'never')
  const at = (day: number) => [sunny!, pole!, ends!].map(b => b[day * 24 + 12]!)
  expect(at(0)).toEqual([0, 0, 0])
  expect(at(2)[2]).toBeCloseTo(0.5, 6)
  expect(at(2)[1]).toBeCloseTo(0.5 + slidPile(2, 0.5).heightM, 5)
  expect(at(2)[0]).toBeGreaterThan(at(2)[1]!)
  // What has slid off lies on while the snow beside it settles.
  expect(at(3)[1]).toBeCloseTo(0.2 + slidPile(2, 0.5).heightM, 5)
  expect(at(4)).toEqual([0, 0, 0])
})

test('who clears the foot more often has less of a bank, in every hour', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(0, 0.1, 0.25, 0.6, 1.5), { minLength: 5, maxLength: 20 }), depths => {
      const [never, weekly, daily] = (['never', 'weekly', 'daily'] as const).map(c =>
        snowBanks(site(depths), slopes, c),
      )
      const more = (some: Float32Array, other: Float32Array) =>
        some.filter((v, h) => h >= 24 * 7 && v > other[h]! + 1e-6).length
      for (let k = 0; k < BANKS.length; k++)
        expect([more(weekly![k]!, never![k]!), more(daily![k]!, weekly![k]!)]).toEqual([0, 0])
    }),
    { numRuns: 10 },
  )
})

test('a bank covers a wall by its height, all of it in the end, and low pieces before high ones', () => {
  const building = makeBuilding(snowy)
  for (const s of building.surfaces.filter(x => x.part !== null)) {
    const { shares } = bankedShares(building, [s])
    expect(shareUnder(shares, 0)).toBeCloseTo(0, 9)
    for (let z = 0; z < 4; z += 0.1) expect(shareUnder(shares, z + 0.1)).toBeGreaterThanOrEqual(shareUnder(shares, z))
  }
  const high = (id: string) =>
    shareUnder(
      bankedShares(
        building,
        building.surfaces.filter(s => s.id === id),
      ).shares,
      0.4,
    )
  expect(high('knee wall')).toBeGreaterThan(high('sunny slope'))
})

test('on a dark cold night a house in its banks is no colder than one that is cleared', () => {
  const { bare, banked, higher } = bankedNight()
  expect(banked).toBeGreaterThanOrEqual(bare)
  expect(higher).toBeGreaterThanOrEqual(banked)
  expect(higher).toBeGreaterThan(bare)
})

test('a bank takes light of low glazing, and clearing it gives the light back', () => {
  const of = (cleared: Design['skin']['snow']['cleared']) =>
    engine.run({ ...unheated(snowy), skin: { ...snowy.skin, snow: { cleared } } })
  const [never, daily] = [of('never'), of('daily')]
  const light = (r: typeof never) => r.gains.transmittedW.subarray(0, 59 * 24).reduce((a, b) => a + b, 0)
  expect(light(daily)).toBeGreaterThan(light(never))
  for (const r of [never, daily]) expect(r.answers.ledger.closure).toBeLessThan(1e-4)
  // In summer there is none.
  const july = (r: typeof never) => r.answers.months[6]!.dli
  expect(july(daily)).toBeCloseTo(july(never), 2)
})
