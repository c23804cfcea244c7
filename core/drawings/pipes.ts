import { layChannels, layPipes, layRockBed } from '../geometry/pipes'
import { OVER_FLOOR_M } from '../takeoff/air-stores'
import { airStoreName } from '../air-stores/registry'
import { linesBlock, withBlocks } from './blocks'
import {
  broken,
  chain,
  extentOf,
  fromAbove,
  line,
  mm,
  rectangle,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
} from './drawing'
import { north, walls } from './plan'

/** What is drained falls so much of its length: builders' usual one in a hundred. */
const FALL = 0.01
/** Letters on a line of the notes. */
const LETTERS = 64
/** A riser is drawn with its own width, and no smaller, m. */
const LEAST_M = 0.1

type Store<K> = Extract<Drawn['design']['store']['airStores'][number], { kind: K }>
/** A store as it lies, and what is said of it. */
interface Laid {
  items: Item[]
  notes: string[]
}

const circle = ([x, y]: At, r: number): Item => ({
  kind: 'path',
  layer: 'pipes',
  closed: true,
  points: Array.from({ length: 20 }, (_, k): At => {
    const turn = (2 * Math.PI * k) / 20
    return [x + r * Math.cos(turn), y + r * Math.sin(turn)]
  }),
})

function earthStore(drawn: Drawn, s: Store<'earth store'>): Laid {
  const { design, show } = drawn
  const at = fromAbove(drawn)
  const lay = layPipes(design, s)
  const riserM = s.riserM ?? s.pipeDiameterM * Math.sqrt(s.pipes)
  const items = lay.runs.map(r => rectangle('pipes', ...at(r.x - r.radiusM, r.y0), ...at(r.x + r.radiusM, r.y1)))
  for (const r of [...lay.returns, ...lay.manifolds]) items.push(line('pipes', at(r.x0, r.y), at(r.x1, r.y)))
  const first = lay.runs[0]!
  const runM = first.y1 - first.y0
  // A riser in the middle of each manifold.
  const ends = lay.manifolds.map((m, k) =>
    at((m.x0 + m.x1) / 2, m.y + (k === 1 && lay.manifolds[0]!.y === m.y ? 0.3 : 0)),
  )
  const named = ends.flatMap((p, k): Item[] => [
    circle(p, mm(Math.max(LEAST_M, riserM) / 2)),
    { ...words(p, k === 0 ? 'riser, inlet' : 'riser, outlet'), of: p },
  ])
  const xs = [...new Set(lay.runs.map(r => Number(r.x.toFixed(4))))].sort((a, b) => a - b)
  const places = [0, ...xs, design.shape.widthM].map(x => at(x, first.y0)[1]).sort((a, b) => b - a)
  const { x1, y0 } = extentOf(walls(drawn))
  const lengthways = [0, first.y0, first.y1, design.shape.lengthM].map(y => at(0, y)[0]).sort((a, b) => b - a)
  const perforated = s.perforated ? 'perforated, in cloth' : 'smooth'
  return {
    items: [
      ...items,
      ...named,
      ...chain(
        drawn,
        places.map((y): At => [x1, y]),
      ),
      ...chain(
        drawn,
        lengthways.map((x): At => [x, y0]),
      ),
    ],
    notes: [
      `${s.pipes} pipes of ${show(s.pipeDiameterM, 'thickness')}, ${perforated}; ${lay.runs.length} runs of ` +
        `${show(runM, 'length')}`,
      `no less than ${show(Math.abs((xs[1] ?? xs[0]!) - xs[0]!), 'length')} from middle to middle`,
      `middle of the lowest ${show(s.depthM, 'length')} under the floor`,
      s.drained
        ? `falls ${show(runM * FALL, 'cutLength')} along a run, to the drain at the outlet`
        : 'lies level: what condenses stays in it',
      `risers of ${show(riserM, 'thickness')}, ${show(s.depthM, 'length')} up to the floor and ` +
        `${show(OVER_FLOOR_M, 'length')} over it`,
    ],
  }
}

function rockBed(drawn: Drawn, s: Store<'rock bed'>): Laid {
  const { design, show } = drawn
  const at = fromAbove(drawn)
  const { x0, x1, y0, y1, z0, z1 } = layRockBed(design, s)
  const middle = (x0 + x1) / 2
  const ring = (by: number) => rectangle('pipes', ...at(x0 - by, y0 - by), ...at(x1 + by, y1 + by), by > 0)
  const feeds = [y0, y1].map(y => at(middle, y))
  const { x1: right, y0: low } = extentOf(walls(drawn))
  const { lengthM, widthM } = design.shape
  const across = [0, x0, x1, widthM].map(x => at(x, 0)[1]).sort((a, b) => b - a)
  const along = [0, y0, y1, lengthM].map(y => at(0, y)[0]).sort((a, b) => b - a)
  return {
    items: [
      ring(0),
      ...(s.insulationM > 0 ? [ring(s.insulationM)] : []),
      line('pipes', feeds[0]!, feeds[1]!, true),
      ...feeds.map(p => circle(p, mm(LEAST_M))),
      { ...words(at(middle, (y0 + y1) / 2), 'slotted pipe over the rock and under it'), of: at(middle, (y0 + y1) / 2) },
      ...chain(
        drawn,
        across.map((y): At => [right, y]),
      ),
      ...chain(
        drawn,
        along.map((x): At => [x, low]),
      ),
    ],
    notes: [
      `rock of ${show(s.rockM, 'thickness')}, ${show(x1 - x0, 'length')} × ${show(y1 - y0, 'length')}, ` +
        `${show(z1 - z0, 'length')} deep`,
      `its top ${show(-z1, 'thickness')} under the floor, cloth over it and at its sides`,
      ...(s.insulationM > 0 ? [`foam of ${show(s.insulationM, 'thickness')} all round it`] : []),
    ],
  }
}

function channels(drawn: Drawn, s: Store<'bed channels'>): Laid {
  const { design, show } = drawn
  const at = fromAbove(drawn)
  const lay = layChannels(design, s)
  const [first] = lay
  const items = lay.map(c => rectangle('pipes', ...at(c.x0, c.y0), ...at(c.x0 + c.widthM, c.y1)))
  return {
    items,
    notes: first
      ? [
          `${lay.length} channels under the beds, ${show(first.widthM, 'thickness')} wide and ` +
            `${show(first.heightM, 'thickness')} high, cloth over them`,
          'manifolds at both ends of the beds',
        ]
      : [],
  }
}

function earthTube(drawn: Drawn, s: Store<'earth tube'>): Laid {
  const { show } = drawn
  return {
    items: [],
    notes: [
      `smooth pipe of ${show(s.diameterM, 'thickness')}, ${show(s.lengthM, 'length')} long, ` +
        `${show(s.depthM, 'length')} under the ground, its way as the plot allows`,
      `falls ${show(s.lengthM * FALL, 'cutLength')} to the drain at its low end; a hood with a mesh outside`,
    ],
  }
}

/** Pipes, rock and channels under the floor, from above; null where there are none. */
export function drawPipes(drawn: Drawn): Drawing | null {
  const { design, scale } = drawn
  const stores = design.store.airStores.filter(s => s.on)
  if (stores.length === 0) return null
  const laid = stores.map((s): Laid => {
    if (s.kind === 'earth store') return earthStore(drawn, s)
    if (s.kind === 'rock bed') return rockBed(drawn, s)
    return s.kind === 'bed channels' ? channels(drawn, s) : earthTube(drawn, s)
  })
  const items = [...walls(drawn), ...laid.flatMap(l => l.items)]
  const { x1, y1 } = extentOf(items)
  items.push(...north(drawn, [x1 + 12 * scale, y1 - 10 * scale]))
  const names = stores.map(s => airStoreName(design.store.airStores, design.store.airStores.indexOf(s)))
  const notes = laid.flatMap((l, k) => [names[k]!, ...l.notes.flatMap(n => broken(`   ${n}`, LETTERS))])
  return { title: 'Pipe plan', items: withBlocks(drawn, items, [linesBlock(notes)]) }
}
