import { makeSiteYear, type SiteYear } from '../../core/climate'
import { DEMOS } from '../../core/design'
import { readEpw } from '../../formats/epw'
import { formatEpwTable, parseEpwTable } from '../../formats/epw-table'
import { writeEpw } from '../../formats/epw-write'
import { epwText } from './epw-file'

test.each([[0], [1]])(
  'demo %#: written and read again, every series that Tierra knows is the same to its last digit',
  i => {
    const { site } = DEMOS[i]!
    if (site.climate.kind !== 'normals') throw new Error('demo climates are normals')
    const year = makeSiteYear({ ...site, climate: site.climate })
    const text = writeEpw(site, year)
    const rows = text.trimEnd().split('\r\n')
    expect(rows).toHaveLength(8768)
    for (const row of rows.slice(8)) expect(row.split(',')).toHaveLength(35)
    expect(rows[8]).toMatch(/^2027,1,1,1,60,/)
    expect(rows[8767]).toMatch(/^2027,12,31,24,60,/)
    const read = readEpw(text, 'again.epw')
    if (!read.ok) throw new Error(read.message)
    expect(read.epw).toMatchObject({
      latitudeDeg: site.latitudeDeg,
      longitudeDeg: site.longitudeDeg,
      elevationM: site.elevationM,
      standardOffsetH: year.standardOffsetH,
    })
    expect(read.epw.climate.notes).toEqual([])
    const digits = {
      dryBulbC: 0.006,
      dewPointC: 0.006,
      pressurePa: 0.6,
      globalWm2: 0.06,
      beamWm2: 0.06,
      diffuseWm2: 0.06,
      skyInfraredWm2: 0.06,
      windMs: 0.006,
      cloud: 0.051,
    }
    for (const [name, within] of Object.entries(digits) as [keyof typeof digits, number][]) {
      const own = year[name as keyof SiteYear] as Float32Array
      let off = 0
      read.epw.climate[name].forEach((v, h) => {
        off = Math.max(off, Math.abs(v - own[h]!))
      })
      expect([name, off <= within]).toEqual([name, true])
    }
  },
)

test('a place with commas stays in its field', () => {
  const { site } = DEMOS[0]!
  if (site.climate.kind !== 'normals') throw new Error('demo climates are normals')
  const text = writeEpw(
    { ...site, place: 'Upper field, by the stream' },
    makeSiteYear({ ...site, climate: site.climate }),
  )
  const read = readEpw(text, 'x.epw')
  expect(read.ok && read.epw.place).toBe('Upper field by the stream')
})

test('field by field: a file taken apart and put together keeps every field of every row', () => {
  const text = epwText({ change: (cells, h) => cells.map((c, i) => (i > 15 && i !== 21 ? `${c}${h % 7}` : c)) })
  expect(formatEpwTable(parseEpwTable(text)).trimEnd()).toBe(text.trimEnd())
  expect(parseEpwTable('nothing here').rows).toEqual([])
})

test('snow goes out and comes back', () => {
  const { site } = DEMOS[2]!
  if (site.climate.kind !== 'normals') throw new Error('demo climates are normals')
  const year = makeSiteYear({ ...site, climate: site.climate })
  const read = readEpw(writeEpw(site, year), 'snow.epw')
  if (!read.ok) throw new Error(read.message)
  expect(Math.max(...year.snowM)).toBeGreaterThan(0.1)
  read.epw.climate.snowM!.forEach((v, h) => expect(Math.abs(v - year.snowM[h]!)).toBeLessThan(0.006))
})
