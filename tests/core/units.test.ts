import fc from 'fast-check'
import { turnTowards } from '../../core/geometry/compass'
import { DUCT_FANS, GLAZINGS, NIGHT_COVERS } from '../../core/catalog'
import { PRICE_ITEMS } from '../../core/catalog/prices'
import {
  formatQuantity,
  inMetric,
  nameIn,
  sentenceIn,
  parseNumber,
  parseEither,
  parseQuantity,
  UNITS,
  type Quantity,
  type Show,
  type UnitSystem,
} from '../../core/units'

const si = (text: string, quantity: Quantity, system: UnitSystem = 'metric') => {
  const parsed = parseQuantity(text, quantity, system)
  if (!parsed.ok) throw new Error(parsed.message)
  return parsed.value
}

test.each([
  ['6ft 4in', 'length', 1.9304],
  ['6\' 4"', 'length', 1.9304],
  ['2\' 9 1/2"', 'length', 0.8509],
  ['9-1/2 in', 'thickness', 0.2413],
  ['3/4 in', 'thickness', 0.01905],
  ['1.9m', 'length', 1.9],
  ['1,9 m', 'length', 1.9],
  ['190 cm', 'length', 1.9],
  ['-3ft 6in', 'length', -1.0668],
  ['R20', 'resistance', 3.5222],
  ['RSI 3.5', 'resistance', 3.5],
  ['55gal', 'volume', 0.2082],
  ['200 L', 'volume', 0.2],
  ['-10F', 'temperature', -23.3333],
  ['−10 °F', 'temperature', -23.3333],
  ['273.15 K', 'temperature', 0],
  ['9F', 'temperatureDifference', 5],
  ['10 ft2', 'area', 0.92903],
  ['3 m²', 'area', 3],
  ['5 kW', 'power', 5000],
  ['40%', 'share', 0.4],
  ['2 kWh', 'energy', 7.2e6],
] as const)('%s as %s is %d in SI', (text, quantity, expected) => {
  expect(si(text, quantity)).toBeCloseTo(expected, 3)
})

test('a bare number is in the unit that the system shows', () => {
  expect(si('6', 'length', 'us')).toBeCloseTo(1.8288, 6)
  expect(si('32', 'temperature', 'us')).toBeCloseTo(0, 9)
  expect(si('32', 'temperature', 'mixed')).toBe(32)
  expect(si('4', 'thickness', 'mixed')).toBeCloseTo(0.1016, 6)
})

test.each([
  ['', 'length'],
  ['wide', 'length'],
  ['3 parsecs', 'length'],
  ['12 L', 'length'],
  ['1.2.3', 'length'],
  ['5 C 6 C', 'temperature'],
  ['--4', 'angle'],
  ['3 m -2', 'length'],
] as const)('“%s” is refused with a reason', (text, quantity) => {
  const parsed = parseQuantity(text, quantity, 'metric')
  expect(parsed.ok).toBe(false)
  if (!parsed.ok) expect(parsed.message.length).toBeGreaterThan(10)
})

test('a comma that could be either mark is refused with both spellings', () => {
  const parsed = parseNumber('1,900')
  expect(parsed).toEqual({ ok: false, message: '“1,900” could be two numbers: write 1900 or 1.900' })
  expect(parseNumber('0,900')).toEqual({ ok: true, value: 0.9 })
  expect(parseNumber('12,5')).toEqual({ ok: true, value: 12.5 })
})

test('prices, weights and gaps by area follow the system', () => {
  expect(formatQuantity(28, 'arealPrice', 'us')).toBe('2.60\u00a0/ft²')
  expect(formatQuantity(4.882, 'arealMass', 'mixed')).toBe('1.0\u00a0lb/ft²')
  expect(formatQuantity(6.4516e-4, 'gapArea', 'us')).toBe('1.0\u00a0in²')
  expect(formatQuantity(0.0019, 'volume', 'us')).toBe('0.5\u00a0gal')
  expect(formatQuantity(0.2, 'volume', 'metric')).toBe('200\u00a0L')
  expect(formatQuantity(28, 'arealPrice', 'metric')).toBe('28.00\u00a0/m²')
})

test('what is shown can be typed again, in every system', () => {
  const quantities = Object.keys(UNITS).filter(q => q !== 'money' && q !== 'energy') as Quantity[]
  fc.assert(
    fc.property(
      fc.constantFrom(...quantities),
      fc.constantFrom('metric', 'us', 'mixed' as const),
      fc.double({ min: 0, max: 90, noNaN: true }),
      (quantity, system, value) => {
        const text = formatQuantity(value, quantity, system as UnitSystem, quantity === 'count' ? { decimals: 3 } : {})
        const back = parseQuantity(text.replace(/[\u00a0\u202f]/g, ' '), quantity, system as UnitSystem)
        expect(back.ok).toBe(true)
        // Within half of the last digit shown: the coarsest is a whole gallon, an inch, a whole BTU/h, a tenth of a
        // tonne or of a kWh/m².
        const unit =
          {
            length: 0.013,
            // A sixteenth of an inch.
            thickness: 0.0009,
            elevation: 0.16,
            bearing: 0.5,
            electricPower: 0.5,
            area: 0.06,
            volume: 0.002,
            power: 0.5,
            share: 0.006,
            resistance: 0.01,
            transmittance: 0.03,
            // Under two days to the hundredth, beyond to the hour.
            hours: 0.5,
            mass: 50,
            insolation: 1.8e5,
            arealMass: 0.25,
            airflow: 0.9,
            pressure: 1.3,
            density: 8.1,
            specificHeat: 21,
            duration: 3,
          }[quantity as string] ?? 0.06
        if (back.ok) expect(Math.abs(back.value - value)).toBeLessThanOrEqual(unit)
      },
    ),
  )
})

test('any text either parses to a finite number or is refused; nothing throws', () => {
  fc.assert(
    fc.property(
      fc.oneof(fc.string(), fc.stringMatching(/^[-−+0-9.,'" a-zA-Z°²]{0,14}$/)),
      fc.constantFrom('length', 'temperature', 'resistance', 'volume' as const),
      (text, quantity) => {
        const parsed = parseQuantity(text, quantity as Quantity, 'us')
        if (parsed.ok) expect(Number.isFinite(parsed.value)).toBe(true)
        else expect(parsed.message).not.toBe('')
      },
    ),
    { numRuns: 3000 },
  )
})

test('feet carry inches without ever showing twelve of them', () => {
  expect(formatQuantity(1.8288, 'length', 'us')).toBe('6\u00a0ft')
  expect(formatQuantity(1.8287, 'length', 'us')).toBe('6\u00a0ft')
  expect(formatQuantity(1.9304, 'length', 'us')).toBe('6\u00a0ft 4\u00a0in')
  expect(formatQuantity(-0.001, 'length', 'us')).toBe('0\u00a0in')
  expect(formatQuantity(-0.04, 'temperature', 'metric')).toBe('0.0\u00a0°C')
})

test('every unit of every quantity goes there and back', () => {
  for (const [quantity, units] of Object.entries(UNITS) as [Quantity, (typeof UNITS)[Quantity]][]) {
    for (const u of units) {
      for (const spelling of u.spellings.filter(s => s !== '')) {
        const parsed = parseQuantity(`12.5 ${spelling}`, quantity, 'metric')
        expect([quantity, spelling, parsed]).toEqual([
          quantity,
          spelling,
          { ok: true, value: expect.closeTo(12.5 * u.factor + (u.offset ?? 0), 9) },
        ])
      }
    }
  }
})

test.each([
  [1234.4, 'power', 'metric', '1\u202f234\u00a0W'],
  [-3.44, 'temperature', 'metric', '−3.4\u00a0°C'],
  [20, 'temperature', 'us', '68.0\u00a0°F'],
  [3.5222, 'resistance', 'us', 'R 20.0'],
  [3, 'transmittance', 'metric', '3.00\u00a0W/m²K'],
  [0.2, 'volume', 'metric', '200\u00a0L'],
  [0.2082, 'volume', 'mixed', '55\u00a0gal'],
  [0.1, 'thickness', 'us', '3 15/16\u00a0in'],
  [36.47, 'angle', 'us', '36.5°'],
  [0.2, 'share', 'metric', '20%'],
  [NaN, 'length', 'metric', '–'],
] as const)('%p of %s in %s units reads %s', (value, quantity, system, expected) => {
  expect(formatQuantity(value, quantity, system)).toBe(expected)
})

test('changes carry their sign, and nothing carries none', () => {
  expect(formatQuantity(1.64, 'temperatureDifference', 'metric', { sign: true })).toBe('+1.6\u00a0K')
  expect(formatQuantity(-1.64, 'temperatureDifference', 'us', { sign: true, unit: false })).toBe('−3.0')
  expect(formatQuantity(0.01, 'temperatureDifference', 'metric', { sign: true, unit: false })).toBe('0.0')
  expect(formatQuantity(-0.3, 'length', 'us', { sign: true })).toBe('−1\u00a0ft')
})

test('names of goods are measured as the reader does: none metric in inches, all as they are written in metric', () => {
  const us: Show = (value, quantity) => formatQuantity(value, quantity, 'us')
  expect(nameIn('Thick blanket, 60 mm', us)).toBe('Thick blanket, 2 3/8\u00a0in')
  // As drums are sold, whatever room for ice is left in them.
  expect(nameIn('Barrel, 200 L', us)).toBe('Barrel, 55\u00a0gal')
  expect(nameIn('Barrel, 210 L', us)).toBe('Barrel, 55\u00a0gal')
  expect(nameIn('Fan in the skin, each 1000 m³/h', us)).toBe('Fan in the skin, each 589\u00a0cfm')
  expect(nameIn('A house of my own, 12 mmm', us)).toBe('A house of my own, 12 mmm')
  const names = [GLAZINGS, NIGHT_COVERS, DUCT_FANS, PRICE_ITEMS].flatMap(list => list.map(e => e.name))
  expect(names.length).toBeGreaterThan(100)
  for (const name of names) {
    expect(nameIn(name, us)).not.toMatch(/\d ?(mm|cm|m|m²|m³|m³\/h|kg|L)\b/)
    expect(nameIn(name, inMetric)).toBe(name)
  }
})

test('a sentence of the core is told as the reader measures it; what no unit follows stays', () => {
  const us = (value: number, quantity: Quantity) => formatQuantity(value, quantity, 'us')
  const said = sentenceIn('Bed 1: runs through the wall by 0.23 m, at 12.5 m² and −3 °C. Allowed: 0 to 4 of 20 W.', us)
  expect(said.replaceAll('\u00a0', ' ')).toBe(
    'Bed 1: runs through the wall by 9 in, at 135 ft² and 26.6 °F. Allowed: 0 to 4 of 20 W.',
  )
  expect(sentenceIn('by 0.23 m', inMetric)).toBe('by 0.23 m')
})

test('what is cut is told to the millimetre, or to a sixteenth of an inch in its lowest terms', () => {
  const cut = (m: number, system: UnitSystem) => formatQuantity(m, 'cutLength', system).replaceAll('\u00a0', ' ')
  expect(cut(2.3, 'metric')).toMatch(/^2.?300 mm$/)
  expect(cut(1.2192, 'us')).toBe('4 ft')
  expect(cut(0.0254 * 40.375, 'us')).toBe('3 ft 4 3/8 in')
  expect(cut(0.0254 * 11.99, 'us')).toBe('1 ft')
  expect(cut(0.0254 * 0.5, 'us')).toBe('1/2 in')
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 20, noNaN: true }), m => {
      const read = parseQuantity(cut(m, 'us'), 'cutLength', 'us')
      expect(read.ok && Math.abs(read.value - m)).toBeLessThanOrEqual(0.0254 / 32 + 1e-9)
    }),
  )
})

test('thicknesses are read off a rule in inches; sheet and film are not', () => {
  const thick = (m: number) => formatQuantity(m, 'thickness', 'us').replaceAll('\u00a0', ' ')
  expect(thick(0.06)).toBe('2 3/8 in')
  expect(thick(0.0254)).toBe('1 in')
  expect(thick(0.0002)).toBe('0.008 in')
  expect(formatQuantity(0.06, 'thickness', 'metric').replaceAll('\u00a0', ' ')).toBe('60 mm')
})

test('heights over the sea have no inches, and what a plug draws is in watts everywhere', () => {
  const us = (v: number, q: Quantity) => formatQuantity(v, q, 'us').replaceAll(/[\u00a0\u202f]/g, ' ')
  expect(us(1900, 'elevation')).toBe('6 234 ft')
  expect(us(65, 'electricPower')).toBe('65 W')
  expect(us(65, 'power')).toBe('222 BTU/h')
  expect(parseQuantity('6233 ft', 'elevation', 'metric')).toEqual({ ok: true, value: expect.closeTo(1899.8, 1) })
  expect(parseQuantity('15 kW', 'electricPower', 'us')).toEqual({ ok: true, value: 15000 })
})

test('places say their half of the world, and bearings are points of the compass', () => {
  const read = (text: string, quantity: Quantity) => {
    const parsed = parseQuantity(text, quantity, 'metric')
    return parsed.ok ? parsed.value : null
  }
  for (const text of ['43 S', '43S', 's 43', '-43', '43° S']) expect(read(text, 'latitude')).toBe(-43)
  expect(read("43° 30' N", 'latitude')).toBe(43.5)
  expect(read('71,5 W', 'longitude')).toBe(-71.5)
  expect(read('W 71 12 36', 'longitude')).toBeCloseTo(-71.21, 9)
  expect(read('SW', 'bearing')).toBe(225)
  expect(read('235', 'bearing')).toBe(235)
  for (const wrong of ['43 E', '43 S S', 'S', '43 70 S', 'south']) expect(read(wrong, 'latitude')).toBeNull()
  expect(read('SW', 'latitude')).toBeNull()
  expect(read('-43 S', 'latitude')).toBeNull()
})

test('a field may be told in another quantity with its unit, and in its own without', () => {
  const foam = { quantity: 'resistance', toOwn: (r: number) => r * 0.036 } as const
  expect(parseEither('R20', 'thickness', 'us', 0.1, foam)).toEqual({ ok: true, value: expect.closeTo(0.1268, 4) })
  expect(parseEither('5 in', 'thickness', 'us', 0.1, foam)).toEqual({ ok: true, value: expect.closeTo(0.127, 6) })
  expect(parseEither('5', 'thickness', 'us', 0.1, foam)).toEqual({ ok: true, value: expect.closeTo(0.127, 6) })
  // A wall that looks to 235° stands 55° to the west of south; a turn stays a turn.
  const looks = { quantity: 'bearing', toOwn: (deg: number) => turnTowards(45, deg), above: 180 } as const
  const turn = (text: string) => parseEither(text, 'angle', 'metric', 0, looks)
  for (const [text, deg] of [
    ['235', -55],
    ['235°', -55],
    ['SW', -45],
    ['south-east', 45],
    ['-55', -55],
    ['180', 180],
  ] as const)
    expect([text, turn(text)]).toEqual([text, { ok: true, value: expect.closeTo(deg, 6) }])
  expect(turn('up').ok).toBe(false)
  const wrong = parseEither('20 gal', 'thickness', 'us', 0.1, foam)
  expect(wrong.ok).toBe(false)
})
