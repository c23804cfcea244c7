import { spawnSync } from 'node:child_process'
import {
  existsSync,
  lstatSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMOS, startingDesign } from '../../core/design'
import { epwText } from '../formats/epw-file'
import { tierra } from '../shared/tierra'
import { spawned } from './spawned'

const folder = mkdtempSync(join(tmpdir(), 'tierra-cli-'))
const file = (name: string, text: string) => {
  writeFileSync(join(folder, name), text)
  return join(folder, name)
}

test('sun: its fields, to the second and the hundredth of a degree', async () => {
  const { code, json } = await tierra('sun', '--lat', '47.1', '--lon', '15.4', '--at', '2027-01-15T11:00:00Z')
  expect(code).toBe(0)
  const sun = json()
  expect(Object.keys(sun)).toEqual([
    'altitudeDeg',
    'azimuthDeg',
    'apparentAltitudeDeg',
    'solarNoonUtc',
    'sunriseUtc',
    'sunsetUtc',
    'dayLengthH',
  ])
  expect(sun.solarNoonUtc).toMatch(/^2027-01-15T11:07:\d\dZ$/)
  expect(sun.altitudeDeg).toBeCloseTo(21.76, 1)
  const polar = (await tierra('sun', '--lat', '-78', '--lon', '-70.4', '--at', '2027-12-21T11:00:00-03:00')).json()
  expect(polar).toMatchObject({ sunriseUtc: null, sunsetUtc: null, dayLengthH: 24 })
})

test.each([
  [
    ['sun', '--lat', '95', '--lon', '0', '--at', 'noon'],
    [/--lat:.*−?90|--lat/, /--at:/],
  ],
  [
    ['sun', '--lat', '1'],
    [/--lon/, /--at/],
  ],
  [['fly'], [/not known/]],
  [['demo', 'atlantis'], [/allowed: hollow-ash/]],
  [['check', '/nowhere.json'], [/cannot be read/]],
  [['simulate'], [/design.json/]],
  [['sun', '--latitude', '3'], [/arguments/]],
  [['sums'], [/design.json/]],
])('%p is bad input: exit 2, a line a fault, nothing on stdout', async (args, lines) => {
  const { code, out, err } = await tierra(...(args as string[]))
  expect(code).toBe(2)
  expect(out).toBe('')
  for (const line of lines as RegExp[]) expect(err).toMatch(line)
})

test('demos, demo and check go round', async () => {
  expect((await tierra('demos')).json()).toEqual(DEMOS.map(d => ({ id: d.id, name: d.name })))
  const demo = await tierra('demo', 'ribera-alta')
  expect(demo.json()).toEqual(DEMOS[1])
  expect((await tierra('check', file('good.json', demo.out))).json()).toEqual({ ok: true, fit: [], access: [] })
  const bad = await tierra(
    'check',
    file('bad.json', JSON.stringify({ ...DEMOS[0], shape: { ...DEMOS[0]!.shape, lengthM: -1 } })),
  )
  expect(bad.code).toBe(2)
  expect(bad.err).toMatch(/^shape\.lengthM: is out of range; allowed: a number from 1 to 100$/m)
  expect(bad.json()).toMatchObject({ ok: false, faults: [{ path: 'shape.lengthM' }] })
})

test('weather: an EPW that the design can be run with, and its monthly means', async () => {
  const design = file('for-weather.json', JSON.stringify(DEMOS[1]))
  const out = join(folder, 'year.epw')
  const { code, json } = await tierra('weather', design, '--out', out)
  expect(code).toBe(0)
  const climate = DEMOS[1]!.site.climate
  if (climate.kind === 'normals')
    json().months.forEach((m: { lowC: number }, i: number) =>
      expect(Math.abs(m.lowC - climate.lowC[i]!)).toBeLessThan(0.4),
    )
  const own = (await tierra('simulate', design)).json()
  const back = (await tierra('simulate', design, '--weather', out)).json()
  expect(Math.abs(back.coldestNight.insideC - own.coldestNight.insideC)).toBeLessThan(0.1)
  expect(Math.abs(back.freeRunning!.coldestNight.insideC - own.freeRunning!.coldestNight.insideC)).toBeLessThan(0.1)
  expect((await tierra('weather', design)).code).toBe(2)
  expect((await tierra('weather', design, '--out', join(folder, 'no', 'such', 'folder.epw'))).err).toMatch(
    /cannot be written/,
  )
})

test('bench: its figures, from a short sweep', () => {
  const { code, json } = spawned('bench', '--runs', '2')
  expect(code).toBe(0)
  const { yearMs, stagesMs, sweep } = json()
  expect(yearMs.median).toBeGreaterThanOrEqual(yearMs.min)
  expect(Object.keys(stagesMs)).toEqual(['site', 'building', 'light', 'sun', 'network', 'answers'])
  expect(sweep.runs).toBe(2)
  expect(sweep.perSecond1).toBeGreaterThan(0)
  expect(sweep.perSecond2).toBeGreaterThan(0)
})

test('simulate: the answers, with seed, steps, weather and hourly rows', async () => {
  const design = file('design.json', JSON.stringify(DEMOS[0]))
  const hourly = join(folder, 'hours.csv')
  const plain = await tierra('simulate', design, '--hourly', hourly)
  expect(plain.code).toBe(0)
  const a = plain.json()
  for (const key of [
    'version',
    'seed',
    'coldestNight',
    'hottestAfternoon',
    'hoursBelow0',
    'hoursBelowAim',
    'hoursAboveLimit',
    'hoursDamp',
    'topUp',
    'freeRunning',
    'months',
    'ledger',
    'ua',
    'runMs',
  ])
    expect(a).toHaveProperty(key)
  expect(a.months).toHaveLength(12)
  for (const key of [
    'insideMinC',
    'insideMeanC',
    'insideMaxC',
    'outsideMinC',
    'outsideMaxC',
    'soilC',
    'waterC',
    'dli',
    'topUpKWh',
  ])
    expect(typeof a.months[0][key]).toBe('number')
  for (const key of ['name', 'areaM2', 'uDay', 'uNight', 'uaDay', 'uaNight'])
    expect(a.ua.byElement[0]).toHaveProperty(key)
  expect(a.coldestNight.at).toMatch(/^2027-\d\d-\d\dT\d\d:30:00\+01:00$/)
  expect(a.ledger.closure).toBeLessThan(0.001)
  expect(a.seed).toBe(7)
  expect(readFileSync(hourly, 'utf8').trim().split('\n')).toHaveLength(8761)
  expect(readdirSync(folder).filter(f => f.includes('part'))).toEqual([])

  const seeded = (await tierra('simulate', design, '--seed', '11', '--steps-per-hour', '2')).json()
  expect(seeded.seed).toBe(11)
  expect(seeded.coldestNight.at).not.toBe(a.coldestNight.at)

  const weather = (await tierra('simulate', design, '--weather', file('year.epw', epwText()))).json()
  expect(weather.coldestNight.outsideC).toBeGreaterThan(-9)

  const cut = await tierra(
    'simulate',
    design,
    '--weather',
    file('cut.epw', epwText().slice(0, 9000)),
    '--hourly',
    join(folder, 'never.csv'),
  )
  expect(cut.code).toBe(2)
  expect(cut.err).toMatch(/Line \d+|hourly rows/)
  expect(existsSync(join(folder, 'never.csv'))).toBe(false)
  expect((await tierra('simulate', design, '--steps-per-hour', '0')).code).toBe(2)
})

test(
  'outputs: onto new names and regular files alone; never a device, a folder or what is read; a link ' + 'stays one',
  async () => {
    const design = file('out.json', JSON.stringify(DEMOS[0]))
    const before = readFileSync(design, 'utf8')
    expect(await tierra('weather', design, '--out', '/dev/null')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/not a regular file/),
    })
    expect(statSync('/dev/null').isCharacterDevice()).toBe(true)
    expect(await tierra('weather', design, '--out', folder)).toMatchObject({
      code: 2,
      err: expect.stringMatching(/is a folder/),
    })
    symlinkSync(design, join(folder, 'to-input'))
    for (const out of [design, join(folder, 'to-input')])
      expect(await tierra('weather', design, '--out', out)).toMatchObject({
        code: 2,
        err: expect.stringMatching(/would be written over/),
      })
    expect(readFileSync(design, 'utf8')).toBe(before)
    symlinkSync(join(folder, 'real.epw'), join(folder, 'link.epw'))
    expect((await tierra('weather', design, '--out', join(folder, 'link.epw'))).code).toBe(0)
    expect(lstatSync(join(folder, 'link.epw')).isSymbolicLink()).toBe(true)
    // Plain ASCII, although the place and the notes are not.
    expect(readFileSync(join(folder, 'real.epw'), 'latin1')).toMatch(/^LOCATION,Hollow Ash[\x00-\x7f]*$/)
    expect(readdirSync(folder).filter(f => f.includes('part'))).toEqual([])
  },
)

test(
  'help for each command, a closed pipe, dates that are none, files past all size, weather that a ' +
    'document would refuse',
  async () => {
    for (const name of ['sun', 'demos', 'demo', 'check', 'simulate', 'weather', 'verify', 'bench', 'fuzz'])
      expect(await tierra(name, '--help')).toMatchObject({
        code: 0,
        out: expect.stringMatching(new RegExp(`^tierra ${name}`)),
      })
    expect((await tierra('--help')).out).toMatch(/fuzz/)
    for (const script of ['demo', 'test'])
      expect(
        spawnSync(process.execPath, [join(process.cwd(), `scripts/${script}.mjs`), '--help'], { encoding: 'utf8' }),
      ).toMatchObject({ status: 0, stdout: expect.stringMatching(/^npm/) })
    const piped = spawnSync('sh', ['-c', `${process.execPath} scripts/tierra.mjs demo hollow-ash | head -c 5`], {
      encoding: 'utf8',
    })
    expect([piped.stdout, piped.stderr]).toEqual(['{"sch', ''])
    expect(await tierra('sun', '--lat', '1', '--lon', '1', '--at', '2027-02-29T10:00:00Z')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/there is no 2027-02-29/),
    })
    expect((await tierra('sun', '--lat', '1', '--lon', '1', '--at', '2028-02-29T10:00:00Z')).code).toBe(0)
    expect(await tierra('check', file('huge.json', ' '.repeat(5_000_000)))).toMatchObject({
      code: 2,
      err: expect.stringMatching(/is 5\.0 MB; allowed: .* at most 4 MB/),
    })
    const mad = epwText()
      .split('\n')
      .map((line, i) =>
        i === 108
          ? line
              .split(',')
              .map((c, k) => (k === 6 ? '69.0' : c))
              .join(',')
          : line,
      )
      .join('\n')
    expect(
      await tierra('simulate', file('design.json', JSON.stringify(DEMOS[0])), '--weather', file('mad.epw', mad)),
    ).toMatchObject({ code: 2, err: expect.stringMatching(/at most 40 K from hour to hour/) })
  },
)

test('sums: each with its lines, its formula and what the year says; the result is the last line', async () => {
  const design = file('sums.json', JSON.stringify(DEMOS[1]))
  const sums = (await tierra('sums', design)).json() as {
    id: string
    result: number
    unit: string
    evidence: string
    lines: { value: number; unit: string }[]
  }[]
  expect(sums.map(s => s.id)).toEqual(expect.arrayContaining(['water-least', 'fan-on-pipes', 'design-heat-loss']))
  for (const s of sums) {
    expect(s.lines.at(-1)).toMatchObject({ value: s.result, unit: s.unit })
    expect(['proof', 'measured', 'thin']).toContain(s.evidence)
  }
  expect(sums.find(s => s.id === 'design-heat-loss')!.unit).toBe('W')
})

test('spell: its days, and bad input told line by line', async () => {
  const design = file('spell.json', JSON.stringify(DEMOS[0]))
  const { days, firstFailure } = (await tierra('spell', design, '--dull', '3', '--clear', '2', '--low', '-30')).json()
  expect(days).toHaveLength(5)
  expect(days[4].outsideMinC).toBeCloseTo(-30, 1)
  expect(firstFailure === null || typeof firstFailure.what === 'string').toBe(true)
  const wrong = await tierra('spell', design, '--dull', '30', '--clear', '2', '--low', '-30')
  expect(wrong.code).toBe(2)
  expect(wrong.err).toMatch(/dull/)
  expect((await tierra('spell', design, '--dull', '3', '--clear', '2')).err).toMatch(
    /--low: is missing; allowed: -?−?60/,
  )
})

describe('weigh up', () => {
  const small = startingDesign('small', 'Small')
  /** A plain house, and what is asked of it: years by the dozen. */
  const house = () => file('plain.json', JSON.stringify(small))

  test('winters: as many seeds, their chances and quantiles', () => {
    const { code, json } = spawned('winters', house(), '--n', '3')
    expect(code).toBe(0)
    const told = json()
    expect(told.coldest.map((w: { seed: number }) => w.seed)).toEqual([0, 1, 2].map(k => small.site.seed + k))
    expect(told.p10C).toBeLessThanOrEqual(told.medianC)
    expect(told.medianC).toBeLessThanOrEqual(told.p90C)
    for (const chance of [told.chanceOfFrost, told.chanceBelowAim]) expect([0, 1 / 3, 2 / 3, 1]).toContain(chance)
  })

  test('sweep: the same on one worker and on two; a point is what simulate says; faults in words', async () => {
    const vary = ['--vary', 'shape.turnDeg=-20:20:20', '--vary', 'skin.cover.id=none,quilt']
    const [one, two] = ['1', '2'].map(workers => spawned('sweep', house(), ...vary, '--workers', workers))
    expect(one!.code).toBe(0)
    expect(one!.out).toBe(two!.out)
    const points = one!.json()
    expect(points).toHaveLength(6)
    const demo = small
    const turned = {
      ...demo,
      shape: { ...demo.shape, turnDeg: 20 },
      skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'quilt' } },
    }
    const year = (await tierra('simulate', file('turned.json', JSON.stringify(turned)))).json()
    const same = points.find((p: { values: object }) =>
      expect.objectContaining({ 'shape.turnDeg': 20, 'skin.cover.id': 'quilt' }).asymmetricMatch(p.values),
    )
    expect(same.coldestC).toBe(year.coldestNight.insideC)
    for (const [bad, words] of [
      [[], /0 times/],
      [['--vary', 'shape.spin=1:2:1'], /no shape.spin/],
      [['--vary', 'shape.turnDeg=0:1:0.0001'], /more than|at most/],
    ] as const) {
      const { code, err } = await tierra('sweep', house(), ...bad)
      expect([code, words.test(err)]).toEqual([2, true])
    }
  })

  test('ladder: ranked rungs, whose edits give their figures; find: the cheapest of some moves', async () => {
    const rungs = spawned('ladder', house()).json()
    expect(rungs.length).toBeGreaterThanOrEqual(40)
    const [best] = rungs
    expect(Object.keys(best)).toEqual(
      expect.arrayContaining(['id', 'group', 'words', 'patch', 'coldestC', 'gainK', 'heatKWh', 'savedKWh']),
    )
    expect(Object.keys(best)).toEqual(
      expect.arrayContaining(['winterDli', 'lightShare', 'cost', 'paybackYears', 'why']),
    )
    const warmer = rungs.find((r: { id: string }) => r.id === 'cover').coldestC - 0.1
    const asked = ['--coldest', String(warmer), '--moves', 'cover,tighter-house']
    const found = spawned('find', house(), ...asked).json()
    expect(found.feasible).toBe(true)
    expect(found.coldestC).toBeGreaterThanOrEqual(warmer)
    // Every set of the two.
    expect(found.runs).toBe(4)
    const { code, err } = await tierra('find', house(), '--coldest', '3', '--moves', 'wish')
    expect([code, /“wish” is not known/.test(err)]).toEqual([2, true])
  })

  test('report: written whole; refused without a place for it', async () => {
    const out = join(folder, 'report.pdf')
    const { code, json } = await tierra('report', house(), '--pdf', out)
    expect(code).toBe(0)
    expect(json()).toEqual({ pdf: out, pages: expect.any(Number) })
    expect(readFileSync(out, 'latin1').startsWith('%PDF-')).toBe(true)
    expect(readFileSync(out, 'latin1').trimEnd().endsWith('%%EOF')).toBe(true)
    expect((await tierra('report', house())).code).toBe(2)
    expect((await tierra('report', house(), '--pdf', out, '--paper', 'A3')).code).toBe(2)
    expect((await tierra('report', house(), '--set', '--pdf', out, '--paper', 'A9')).code).toBe(2)
    const set = await tierra('report', house(), '--set', '--pdf', out, '--units', 'us')
    expect(set.code).toBe(0)
    const { pages, chapters } = set.json() as { pages: number; chapters: { title: string; page: number }[] }
    expect(pages).toBeGreaterThanOrEqual(20)
    expect(chapters.at(-1)).toEqual({ title: 'Notes', page: expect.any(Number) })
    expect((await tierra('report', house(), '--pdf', folder)).code).toBe(2)
  })
})
