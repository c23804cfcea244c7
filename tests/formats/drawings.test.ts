import { Helper } from 'dxf'
import DxfParser from 'dxf-parser'
import { PDFDocument, PDFRawStream } from 'pdf-lib'
import { inflateSync } from 'node:zlib'
import { shippedFonts } from '../../cli/fonts'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import {
  broken,
  chain,
  dimension,
  extentOf,
  flat,
  type At,
  type Dimension,
  type Drawing,
} from '../../core/drawings/drawing'
import { crossedWords } from '../../core/drawings/place'
import { factsOf } from '../../core/drawings/site-facts'
import { movedOut } from '../../core/geometry/wall-line'
import { layOut, PAPERS, SCALES } from '../../core/drawings/sheet'
import { drawView, VIEW_CHOICES, type ViewId } from '../../core/drawings/views'
import { cutList } from '../../core/takeoff/cuts'
import { takeoff } from '../../core/takeoff/takeoff'
import { makeOutline } from '../../core/geometry/section'
import { formatQuantity, type Quantity } from '../../core/units'
import { engine } from '../shared/years'
import { writeDrawingDxf } from '../../formats/drawing-dxf'
import { writeDrawingPdf } from '../../formats/drawing-pdf'
import { writeDrawingSvg } from '../../formats/drawing-svg'

const [ash, ribera] = DEMOS as [Design, Design]
const sheet = (design: Design, view: ViewId, more = {}) =>
  layOut(design, { view, paper: 'A4', scale: null, date: '5 April 2027', ...more })

const laid = new Map<string, ReturnType<typeof sheet>>()
/** A demo's sheet as a set has it, laid out once: metric on A4 and A3, in feet and inches on letter. */
function setSheet(demo: Design, id: ViewId, paper: 'A4' | 'A3' | 'letter') {
  const units = paper === 'letter' ? 'us' : 'metric'
  const show = (v: number, q: Quantity) => formatQuantity(v, q, units)
  const key = `${demo.id} ${id} ${paper}`
  const its =
    laid.get(key) ?? sheet(demo, id, { paper, show, feet: units === 'us', site: factsOf(demo, engine.site(demo)) })
  laid.set(key, its)
  return its
}

interface DxfEntity {
  type: string
  layer: string
  vertices?: { x: number; y: number }[]
  text?: string
}
/** A DXF as a reader of its own sees it. */
const read = (text: string) => {
  const dxf = new DxfParser().parseSync(text)!
  return { header: dxf.header as Record<string, unknown>, entities: dxf.entities as unknown as DxfEntity[] }
}

const formOf = (d: Design) => d.shape.form
/** Views that some houses do not have, and which. */
const NONE: Partial<Record<ViewId, (d: Design) => boolean>> = {
  pipes: d => !d.store.airStores.some(s => s.on),
  sheets: d => !['gable', 'saltbox', 'dome'].includes(formOf(d)),
  eave: d => ['lean-to', 'dome', 'hoop'].includes(formOf(d)),
  ridge: d => ['dome', 'hoop'].includes(formOf(d)),
  dormer: d => formOf(d) !== 'dome',
}
const hasView = (d: Design, id: ViewId) => !NONE[id]?.(d) && !(id === 'pole' && formOf(d) === 'lean-to')
const wordsIn = (drawing: Drawing) => flat(drawing.items).flatMap(i => (i.kind === 'words' ? [i] : []))

describe('views', () => {
  test('every view of every demo is drawn, or there is none to draw', () => {
    for (const demo of DEMOS)
      for (const { id } of VIEW_CHOICES) {
        const drawing = drawView(demo, { view: id, scale: 50 })
        expect(`${demo.name}, ${id}: ${drawing ? 'drawn' : 'none'}`).toBe(
          `${demo.name}, ${id}: ${NONE[id]?.(demo) ? 'none' : 'drawn'}`,
        )
        const points = flat(drawing?.items ?? []).flatMap(item => (item.kind === 'path' ? item.points : [item.at]))
        // Millimetres at their true size: no house is 60 m long, and words stand near it.
        expect(points.filter(p => !p.every(v => Math.abs(v) < 60_000))).toEqual([])
      }
  })

  test('in the south the plan is no mirror image: west is on the right of a sunny side below', () => {
    const south = patchDesign(ash, [['site.latitudeDeg', -47.4]])
    const door = (d: Design) => {
      const found = wordsIn(drawView(d, { view: 'plan', scale: 50 })!).filter(w => w.text === 'door')
      return found[0]!
    }
    // The door is in the east end.
    expect(door(ash).at[0]).toBeGreaterThan(4500)
    expect(door(south).at[0]).toBeLessThan(4500)
    expect(drawView(south, { view: 'section', scale: 50 })!.title).toMatch(/east end/)
  })

  test('the glazing layout shows each part from outside: as on the elevation of its side', () => {
    // What is left of the last sheet lies at the east end: on the right in the north, on the left in the south.
    for (const [demo, panes, last] of [
      [ash, '17: 590', '9: 600'],
      [{ ...ash, site: { ...ash.site, latitudeDeg: -47 } }, '1: 590', '1: 600'],
    ] as const) {
      const items = drawView(demo, { view: 'glazing', scale: 50 })!.items
      const said = items.flatMap(i => (i.kind === 'words' ? [i.text] : []))
      for (const text of [
        'front',
        'sunny slope',
        'east end',
        `${panes}\u00a0mm × 700\u00a0mm`,
        `${last}\u00a0mm × 3\u202f215\u00a0mm`,
      ])
        expect(said).toContain(text)
      // What comes to one point at its top.
      const isGable = (i: (typeof items)[number]) =>
        i.kind === 'path' && i.layer === 'glazing' && i.points.filter(p => p[1] > extentOf([i]).y1 - 1).length === 1
      const gable = items.filter(isGable)
      const elevation = drawView(demo, { view: 'east', scale: 50 })!.items.filter(isGable)
      // The ridge of the east end lies as far from its left edge in both.
      const ridgeShare = (item: (typeof items)[number]) => {
        const { x0, x1, y1 } = extentOf([item])
        const top = flat([item])
          .flatMap(i => (i.kind === 'path' ? i.points : []))
          .find(p => p[1] === y1)!
        return (top[0] - x0) / (x1 - x0)
      }
      expect(ridgeShare(gable[0]!)).toBeCloseTo(ridgeShare(elevation[0]!), 6)
    }
  })

  test('details: each layer of the wall as thick as it is, with its words; a member that nobody told is dashed', () => {
    const wall = drawView(ash, { view: 'wall', scale: 5 })!
    const rects = wall.items.flatMap(i => (i.kind === 'path' && i.layer === 'skin' ? [extentOf([i])] : []))
    expect(rects.map(r => Math.round(r.x1 - r.x0))).toEqual([22, 100, 15, 200])
    expect(wall.items.some(i => i.kind === 'words' && /vapour layer/.test(i.text))).toBe(true)
    const dashed = (d: Design) =>
      drawView(d, { view: 'sill', scale: 5 })!.items.some(i => i.kind === 'path' && i.layer === 'skin' && i.dashed)
    expect(dashed(ash)).toBe(true)
    expect(dashed(patchDesign(ash, [['build.frame.deepM', 0.145]]))).toBe(false)
    const edge = drawView(ash, { view: 'edge', scale: 10 })!.items.flatMap(i => (i.kind === 'words' ? [i.text] : []))
    expect(edge.join('\n')).toMatch(/rubble trench, 0.35\sm wide, 1.00\sm down/)
    const skirted = drawView(patchDesign(ash, [['skin.edge.skirtM', 0.6]]), { view: 'edge', scale: 10 })!
    expect(skirted.items.some(i => i.kind === 'words' && /^skirt, 0.60/.test(i.text))).toBe(true)
    expect(
      drawView(patchDesign(ash, [['build.foundation.kind', 'undecided']]), { view: 'edge', scale: 10 })!.items,
    ).toContainEqual(expect.objectContaining({ text: 'foundation not decided yet' }))
  })

  test('the sheet for the wall lists every length once and every hold of this house', () => {
    const words = drawView(ash, { view: 'workshop', scale: 50 })!.items.flatMap(i =>
      i.kind === 'words' ? [i.text] : [],
    )
    const all = words.join(' ')
    expect(all).toMatch(/rafter, sunny slope, seat 58.1°, plumb 31.9°: 4 × 4.065/)
    expect(all).toMatch(/Hold, until it is so/)
    expect(all).not.toMatch(/Each pipe is open/)
    expect(
      drawView(ribera, { view: 'workshop', scale: 50 })!.items.some(
        i => i.kind === 'words' && /Each pipe/.test(i.text),
      ),
    ).toBe(true)
    expect(broken('one two three', 7)).toEqual(['one two', '\u00a0\u00a0\u00a0three'])
  })

  test('a dimension measures what it stands between, its words never upside down', () => {
    const show = (v: number, q: Quantity) => formatQuantity(v, q, 'metric')
    for (const [to, turn] of [
      [[3000, 0], 0],
      [[-3000, 0], 0],
      [[0, 3000], 90],
      [[0, -3000], 90],
    ] as [At, number][]) {
      const [one] = dimension({ scale: 50, show }, [0, 0], to)
      expect(one).toMatchObject({ kind: 'dimension', words: { text: '3\u202f000' } })
      expect(((one as Dimension).words.turnDeg! + 360) % 360).toBeCloseTo(turn, 6)
    }
  })

  test('a chain tells gaps alike as one, leaves out places that are no two, and adds up', () => {
    const show = (v: number, q: Quantity) => formatQuantity(v, q, 'metric')
    const at = (...xs: number[]) => xs.map((x): At => [x, 0])
    const said = (xs: number[]) => chain({ scale: 50, show }, at(...xs)).map(i => (i as Dimension).words.text)
    expect(said([0, 346, 346.4, 1038, 1730, 2422, 2768])).toEqual(['346', '3 × 692 = 2\u202f076', '346'])
    expect(said([0, 100, 200])).toEqual(['100', '100'])
    // Feet, inches and sixteenths as their reader has them.
    const us = (v: number, q: Quantity) => formatQuantity(v, q, 'us')
    expect((dimension({ scale: 50, show: us }, [0, 0], [1200, 0])[0] as Dimension).words.text).toBe('3\' 11 1/4"')
  })

  test('a ring that is moved out stays parallel and so far away, each side by its own way', () => {
    const square: [number, number][] = [
      [0, 0],
      [100, 0],
      [100, 50],
      [0, 50],
    ]
    const reach = (ring: readonly At[]) => extentOf([{ kind: 'path', layer: 'skin', points: ring }])
    expect(reach(movedOut(square, () => 10))).toEqual({ x0: -10, y0: -10, x1: 110, y1: 60 })
    expect(reach(movedOut(square, side => side))).toMatchObject({ x0: -3, x1: 101, y1: 52 })
  })

  test('words cross no line and no other words, on any sheet of any demo, in either units', () => {
    for (const demo of DEMOS) {
      for (const { id } of VIEW_CHOICES)
        for (const paper of ['A3', 'letter'] as const) {
          if (!hasView(demo, id)) continue
          const { drawing, scale } = setSheet(demo, id, paper)
          expect({ of: `${demo.name}, ${id}, ${paper}`, crossed: crossedWords(drawing.items, scale) }).toEqual({
            of: `${demo.name}, ${id}, ${paper}`,
            crossed: [],
          })
        }
    }
  })

  test('places on the plan add up to the house, and every thing and opening is in its tables', () => {
    for (const demo of DEMOS.filter(d => d.shape.form !== 'dome')) {
      const { items } = drawView(demo, { view: 'plan', scale: 50 })!
      const dimensions = items.flatMap(i => (i.kind === 'dimension' ? [i] : []))
      const outer = dimensions.filter(d => !d.words.text.startsWith('path'))
      // Dimensions on one line are a chain: they follow on each other, and come to the length or the width.
      const rows = new Map<string, Dimension[]>()
      for (const d of outer) {
        const isUp = Math.abs(d.line[0][0] - d.line[1][0]) < 1
        const key = `${isUp} ${Math.round(isUp ? d.line[0][0] : d.line[0][1])}`
        rows.set(key, [...(rows.get(key) ?? []), d])
      }
      expect(rows.size).toBeGreaterThan(2)
      for (const [key, row] of rows) {
        const sum = row.reduce((total, d) => total + Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]), 0)
        const whole = 1000 * (key.startsWith('true') ? makeOutline(demo.shape).widthM : demo.shape.lengthM)
        expect(`${demo.name} ${key}: ${Math.abs(sum - whole) < 20}`).toBe(`${demo.name} ${key}: true`)
      }
      const said = wordsIn({ title: '', items }).map(w => w.text)
      demo.shape.beds.forEach((_, k) => expect(said.filter(t => t === `bed ${k + 1}`).length).toBeGreaterThan(1))
    }
  })

  test('the section shows the noon sun of both days, frost and how deep the foundation goes', () => {
    const site = factsOf(ash, engine.site(ash))
    const said = wordsIn(drawView(ash, { view: 'section', scale: 25, site })!).map(w => w.text)
    expect(said.some(t => /^noon of the cold day, \d/.test(t))).toBe(true)
    expect(said.some(t => /^noon of the hot day, \d/.test(t))).toBe(true)
    expect(said.some(t => /^frost to about [\d\u202f]+$/.test(t))).toBe(true)
    expect(said).toEqual(
      expect.arrayContaining(['1\u202f000', 'bed 1, top 600', 'headroom asked 1\u202f900', '4\u202f600']),
    )
    // The noon sun of midwinter at this latitude stands about as high as geometry says.
    expect(site.noons.find(n => n.day === 'cold')!.profileDeg).toBeGreaterThan(
      90 - Math.abs(ash.site.latitudeDeg) - 23.5,
    )
    expect(site.noons.find(n => n.day === 'hot')!.profileDeg).toBeLessThan(90 - Math.abs(ash.site.latitudeDeg) + 23.5)
  })

  test('anchors and points stand where the take-off counts them, under the middle of the walls', () => {
    const crosses = (d: Design) =>
      drawView(d, { view: 'foundation', scale: 50 })!.items.filter(
        i => i.kind === 'path' && i.layer === 'foundation' && !i.closed && !i.dashed,
      ).length / 2
    const bought = (d: Design, item: RegExp) =>
      takeoff(d)
        .lines.filter(l => item.test(l.item))
        .reduce((sum, l) => sum + l.amount, 0)
    expect(crosses(ash)).toBe(bought(ash, /^Anchors of the sill/))
    const growers = DEMOS[4]!
    expect(crosses(growers)).toBe(bought(growers, /^Posts/))
  })

  test('every member of the list is on its sheet once, as long as it is cut', () => {
    for (const demo of DEMOS) {
      const { items } = drawView(demo, { view: 'members', scale: 50 })!
      const straight = cutList(demo).members.filter(m => !m.bent)
      const said = wordsIn({ title: '', items }).map(w => w.text)
      const all = said.join(' ').replace(/\s+/g, ' ')
      for (const m of straight) {
        expect(all).toContain(`${m.member}, ${m.part}; `)
        const long = formatQuantity(m.lengthM, 'cutLength', 'metric').replace(/\u00a0mm$/, '')
        expect(all).toContain(`${m.count} × ${long}`.replace(/\s+/g, ' '))
      }
    }
  })

  test('joints between sheets on an elevation lie on members', () => {
    const { items } = drawView(ash, { view: 'sunny', scale: 50 })!
    const upright = (layer: string) =>
      items.flatMap(i =>
        i.kind === 'path' && i.layer === layer && Math.abs(i.points[0]![0] - i.points.at(-1)![0]) < 1
          ? [i.points[0]![0]]
          : [],
      )
    const members = upright('frame')
    expect(upright('joints').length).toBeGreaterThan(5)
    for (const x of upright('joints')) expect(Math.min(...members.map(m => Math.abs(m - x)))).toBeLessThan(6)
  })
})

describe('on paper', () => {
  test('all of it lies within the frame, at a scale in use, and larger paper takes a larger scale', () => {
    for (const demo of DEMOS)
      for (const { id } of VIEW_CHOICES) {
        if (!hasView(demo, id)) continue
        const [small, large] = [setSheet(demo, id, 'A4'), setSheet(demo, id, 'A3')]
        expect(SCALES).toContain(small.scale)
        expect(large.scale).toBeLessThanOrEqual(small.scale)
        for (const l of small.lines)
          for (const [x, y] of l.points) {
            expect(x).toBeGreaterThanOrEqual(10 - 1e-6)
            expect(x).toBeLessThanOrEqual(PAPERS.A4.wideMm - 10 + 1e-6)
            expect(y).toBeGreaterThanOrEqual(10 - 1e-6)
            expect(y).toBeLessThanOrEqual(PAPERS.A4.highMm - 10 + 1e-6)
          }
      }
  })

  test('what does not fit, or is not there, is told in words', () => {
    expect(() => sheet(ribera, 'plan', { scale: 10 })).toThrow(/does not fit on A4; allowed: 1:\d+ or smaller/)
    expect(() => sheet(ash, 'pipes')).toThrow(/no pipes/)
  })

  test('SVG is as large as its paper, and its words are safe', () => {
    const named = writeDrawingSvg(sheet({ ...ash, name: 'A <b> & "c"' }, 'section'))
    expect(named).toMatch(/width="297mm" height="210mm" viewBox="0 0 297 210"/)
    expect(named).toContain('A &lt;b&gt; &amp; &quot;c&quot;')
    expect(named).not.toContain('<b>')
  })

  test('the PDF’s page is its paper, and the bar of two metres measures 40 mm at 1:50', async () => {
    const section = sheet(ash, 'section')
    expect(section.scale).toBe(50)
    const pdf = await PDFDocument.load(await writeDrawingPdf([section], shippedFonts()))
    const [page] = pdf.getPages()
    expect(page!.getWidth()).toBeCloseTo((297 / 25.4) * 72, 3)
    // Lines as the page itself draws them.
    const drawn = pdf.context
      .enumerateIndirectObjects()
      .map(([, o]) => (o instanceof PDFRawStream ? unpacked(o) : ''))
      .find(s => / l\s*\n?S/.test(s) || / l\n/.test(s))!
    const moves = [...drawn.matchAll(/([\d.]+) ([\d.]+) m\s+([\d.]+) ([\d.]+) l/g)].map(m => m.slice(1).map(Number))
    const long = moves.map(([x0, y0, x1, y1]) => (Math.hypot(x1! - x0!, y1! - y0!) / 72) * 25.4)
    // The bar lies low on the right, by itself: 2 m at 1:50.
    const low = moves.findIndex(
      ([, y0, x1, y1], i) => y0 === y1 && y0! < 50 && x1! > 600 && Math.abs(long[i]! - 40) < 0.01,
    )
    expect(low).toBeGreaterThanOrEqual(0)
    // And the house’s width is 4.6 m: 92 mm.
    expect(long.some(l => Math.abs(l - 92) < 0.01)).toBe(true)
  })

  test('in feet the bar is of whole feet', () => {
    const show = (v: number, q: Parameters<typeof formatQuantity>[1]) => formatQuantity(v, q, 'us')
    const us = sheet(ash, 'section', { paper: 'letter', feet: true, show })
    expect(us.words.some(w => /^\d+.ft$/.test(w.text))).toBe(true)
    expect(us.words.every(w => !/\d\sm\b/.test(w.text))).toBe(true)
  })
})

/** A page’s commands, unpacked. */
function unpacked(stream: PDFRawStream): string {
  try {
    return inflateSync(stream.getContents()).toString('latin1')
  } catch {
    return Buffer.from(stream.getContents()).toString('latin1')
  }
}

describe('DXF, read by others', () => {
  test('the section is in millimetres at its true size, its layers by part', () => {
    const { header, entities } = read(writeDrawingDxf(drawView(ash, { view: 'section', scale: 50 })!, 50))
    expect(header.$INSUNITS).toBe(4)
    const skin = entities.filter(e => e.layer === 'SKIN').flatMap(e => e.vertices!)
    const xs = skin.map(v => v.x)
    // 4.6 m inside, its floor from 0 to 4600; the ridge 3.6 m up.
    expect(xs).toContain(0)
    expect(xs.some(x => Math.abs(x - 4600) < 0.01)).toBe(true)
    expect(skin.some(v => Math.abs(v.y - 3600) < 0.01 && Math.abs(v.x - 3450) < 0.01)).toBe(true)
    const layers = new Set(entities.map(e => e.layer))
    for (const name of ['SKIN', 'GLAZING', 'GROUND', 'FOUNDATION', 'INSIDE', 'DIMENSIONS'])
      expect(layers).toContain(name)
  })

  test('every view of every demo is read back whole, by two readers, its dimensions measuring what they say', () => {
    let measured = 0
    for (const demo of DEMOS)
      for (const { id } of VIEW_CHOICES) {
        const drawing = drawView(demo, { view: id, scale: 50 })
        if (!drawing || drawing.items.length === 0) continue
        const text = writeDrawingDxf(drawing, 50)
        const count = (kind: string) => drawing.items.filter(i => i.kind === kind).length
        const { entities } = read(text)
        const of = (type: string) => entities.filter(e => e.type === type)
        expect(of('LWPOLYLINE')).toHaveLength(count('path'))
        expect(of('DIMENSION')).toHaveLength(count('dimension'))
        expect(of('TEXT')).toHaveLength(count('words'))
        // The other reader: its dimensions by their points, its blocks and its layers.
        const other = new Helper(text).parsed
        const dims = other.entities.filter(e => e.type === 'DIMENSION')
        expect(dims).toHaveLength(count('dimension'))
        const blocks = new Map(other.blocks.map(b => [b.name, b]))
        const said = drawing.items.flatMap(i => (i.kind === 'dimension' ? [i.words.text] : []))
        dims.forEach((d, k) => {
          const { measureStart: a, measureEnd: b, rotation } = d
          const turn = ((rotation ?? 0) * Math.PI) / 180
          const long = Math.abs((b.x - a.x) * Math.cos(turn) + (b.y - a.y) * Math.sin(turn))
          const words = said[k]!.replaceAll('\u202f', '')
          const size = Number(
            /^[\d]+$/.exec(words)?.[0] ?? / = (\d+)$/.exec(words)?.[1] ?? /^path (\d+)$/.exec(words)?.[1],
          )
          expect(Math.abs(long - size)).toBeLessThan(0.51)
          expect(blocks.get(d.block)!.entities.length).toBeGreaterThan(3)
          measured++
        })
        expect(other.tables.layers.SKIN!.lineWeightEnum).toBe('50')
        expect(other.header.extMax.x).toBeGreaterThan(other.header.extMin.x)
      }
    expect(measured).toBeGreaterThan(300)
  })
})
