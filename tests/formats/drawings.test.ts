import DxfParser from 'dxf-parser'
import { PDFDocument, PDFRawStream } from 'pdf-lib'
import { inflateSync } from 'node:zlib'
import { shippedFonts } from '../../cli/fonts'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { dimension, extentOf, type At } from '../../core/drawings/drawing'
import { grown } from '../../core/drawings/foundation'
import { broken } from '../../core/drawings/wall-sheet'
import { layOut, PAPERS, SCALES } from '../../core/drawings/sheet'
import { drawView, VIEW_CHOICES, type ViewId } from '../../core/drawings/views'
import { formatQuantity } from '../../core/units'
import { writeDrawingDxf } from '../../formats/drawing-dxf'
import { writeDrawingPdf } from '../../formats/drawing-pdf'
import { writeDrawingSvg } from '../../formats/drawing-svg'

const [ash, ribera, fjellro, saritas] = DEMOS as [Design, Design, Design, Design]
const sheet = (design: Design, view: ViewId, more = {}) =>
  layOut(design, { view, paper: 'A4', scale: null, date: '5 April 2027', ...more })

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

describe('views', () => {
  test('every view of every demo is drawn, or there is none to draw', () => {
    for (const demo of DEMOS)
      for (const { id } of VIEW_CHOICES) {
        const drawing = drawView(demo, id, 50)
        const pipes = demo.store.airStores.some(s => s.on && s.kind === 'earth store')
        expect(drawing === null).toBe(id === 'pipes' && !pipes)
        const points = (drawing?.items ?? []).flatMap(item => (item.kind === 'path' ? item.points : [item.at]))
        // Millimetres at their true size: no house is 60 m long, and words stand near it.
        expect(points.filter(p => !p.every(v => Math.abs(v) < 60_000))).toEqual([])
      }
  })

  test('in the south the plan is no mirror image: west is on the right of a sunny side below', () => {
    const south = patchDesign(ash, [['site.latitudeDeg', -47.4]])
    const door = (d: Design) => {
      const items = drawView(d, 'plan', 50)!.items
      return items.find(i => i.kind === 'words' && i.text === 'door') as { at: At }
    }
    // The door is in the east end.
    expect(door(ash).at[0]).toBeGreaterThan(4500)
    expect(door(south).at[0]).toBeLessThan(4500)
    expect(drawView(south, 'section', 50)!.title).toMatch(/east end/)
  })

  test('the glazing layout shows each part from outside: as on the elevation of its side', () => {
    // What is left of the last sheet lies at the east end: on the right in the north, on the left in the south.
    for (const [demo, panes, last] of [
      [ash, '17: 590', '9: 600'],
      [{ ...ash, site: { ...ash.site, latitudeDeg: -47 } }, '1: 590', '1: 600'],
    ] as const) {
      const items = drawView(demo, 'glazing', 50)!.items
      const said = items.flatMap(i => (i.kind === 'words' ? [i.text] : []))
      for (const text of [
        'front',
        'sunny slope',
        'east end',
        `${panes}\u00a0mm × 700\u00a0mm`,
        `${last}\u00a0mm × 3\u202f215\u00a0mm`,
      ])
        expect(said).toContain(text)
      const gable = items.filter(i => i.kind === 'path' && i.layer === 'glazing' && i.points.length === 6)
      const elevation = drawView(demo, 'east', 50)!.items.filter(
        i => i.kind === 'path' && i.layer === 'glazing' && i.points.length === 6,
      )
      // The ridge of the east end lies as far from its left edge in both.
      const ridgeShare = (item: (typeof items)[number]) => {
        const { x0, x1, y1 } = extentOf([item])
        const top = item.kind === 'path' ? item.points.find(p => p[1] === y1)! : item.at
        return (top[0] - x0) / (x1 - x0)
      }
      expect(ridgeShare(gable[0]!)).toBeCloseTo(ridgeShare(elevation[0]!), 6)
    }
  })

  test('details: each layer of the wall as thick as it is, with its words; a member that nobody told is dashed', () => {
    const wall = drawView(ash, 'wall', 5)!
    const rects = wall.items.flatMap(i => (i.kind === 'path' && i.layer === 'skin' ? [extentOf([i])] : []))
    expect(rects.map(r => Math.round(r.x1 - r.x0))).toEqual([22, 100, 15, 200])
    expect(wall.items.some(i => i.kind === 'words' && /vapour layer/.test(i.text))).toBe(true)
    const dashed = (d: Design) =>
      drawView(d, 'sill', 5)!.items.some(i => i.kind === 'path' && i.layer === 'skin' && i.dashed)
    expect(dashed(ash)).toBe(true)
    expect(dashed(patchDesign(ash, [['build.frame.deepM', 0.145]]))).toBe(false)
    const edge = drawView(ash, 'edge', 10)!.items.flatMap(i => (i.kind === 'words' ? [i.text] : []))
    expect(edge.join('\n')).toMatch(/rubble trench, 0.35\sm wide, 1.00\sm down/)
    const skirted = drawView(patchDesign(ash, [['skin.edge.skirtM', 0.6]]), 'edge', 10)!
    expect(skirted.items.some(i => i.kind === 'words' && /^skirt, 0.60/.test(i.text))).toBe(true)
    expect(drawView(patchDesign(ash, [['build.foundation.kind', 'undecided']]), 'edge', 10)!.items).toContainEqual(
      expect.objectContaining({ text: 'foundation not decided yet' }),
    )
  })

  test('the sheet for the wall lists every length once and every hold of this house', () => {
    const words = drawView(ash, 'workshop', 50)!.items.flatMap(i => (i.kind === 'words' ? [i.text] : []))
    const all = words.join(' ')
    expect(all).toMatch(/rafter, sunny slope, seat 58.1°, plumb 31.9°: 4 × 4.065/)
    expect(all).toMatch(/Hold, until it is so/)
    expect(all).not.toMatch(/Each pipe is open/)
    expect(drawView(ribera, 'workshop', 50)!.items.some(i => i.kind === 'words' && /Each pipe/.test(i.text))).toBe(true)
    expect(broken('one two three', 7)).toEqual(['one two', '   three'])
  })

  test('a dimension measures what it stands between, its words never upside down', () => {
    const show = (v: number) => formatQuantity(v, 'length', 'metric')
    for (const [to, turn] of [
      [[3000, 0], 0],
      [[-3000, 0], 0],
      [[0, 3000], 90],
      [[0, -3000], 90],
    ] as [At, number][]) {
      const said = dimension({ scale: 50, show }, [0, 0], to).find(i => i.kind === 'words')!
      expect(said).toMatchObject({ text: '3.00\u00a0m' })
      expect(((said as { turnDeg: number }).turnDeg + 360) % 360).toBeCloseTo(turn, 6)
    }
  })

  test('a ring that is grown stays parallel and so far away, whichever way round it runs', () => {
    const square: At[] = [
      [0, 0],
      [100, 0],
      [100, 50],
      [0, 50],
    ]
    for (const ring of [square, [...square].reverse()])
      expect(extentOf([{ kind: 'path', layer: 'skin', points: grown(ring, 10) }])).toEqual({
        x0: -10,
        y0: -10,
        x1: 110,
        y1: 60,
      })
  })
})

describe('on paper', () => {
  test('all of it lies within the frame, at a scale in use, and larger paper takes a larger scale', () => {
    for (const demo of DEMOS)
      for (const { id } of VIEW_CHOICES) {
        if (!drawView(demo, id, 50)) continue
        const [small, large] = [sheet(demo, id), sheet(demo, id, { paper: 'A3' })]
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

describe('DXF, read by another', () => {
  test('the section is in millimetres at its true size, its layers by part', () => {
    const { header, entities } = read(writeDrawingDxf(drawView(ash, 'section', 50)!, 50))
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
    const said = entities.filter(e => e.type === 'TEXT').map(e => e.text)
    expect(said).toEqual(expect.arrayContaining(['4.60 m', '3.60 m', '2.30 m', '0.75 m']))
  })

  test('every view of every demo is read back with as many lines as were drawn', () => {
    for (const demo of [ash, ribera, fjellro, saritas])
      for (const { id } of VIEW_CHOICES) {
        const drawing = drawView(demo, id, 50)
        if (!drawing) continue
        const { entities } = read(writeDrawingDxf(drawing, 50))
        expect(entities.filter(e => e.type !== 'TEXT')).toHaveLength(
          drawing.items.filter(i => i.kind === 'path').length,
        )
      }
  })
})
