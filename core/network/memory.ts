import { HOURS } from '../climate'
import type { NetworkModel } from './model'
import { SIDE_PLACES, STATE_SIZE, SUM_SIZE } from './room'
import { GAIN_NAMES, LOSS_NAMES } from './series'

/** How large a network a loop's memory can hold. */
export interface Size {
  chains: number
  cells: number
  links: number
  suns: number
  stores: number
  storeCells: number
  covers: number
  openings: number
  orifices: number
  sources: number
  fans: number
}

/** What a model takes. */
export function sizeOf(m: NetworkModel): Size {
  return {
    chains: m.count,
    cells: m.cellCount,
    links: m.quick.g.length + m.slow.g.length,
    suns: m.sun.cell.length,
    stores: m.exchangers.length,
    covers: m.covers,
    openings: m.airways.openers.length,
    // Each fan with its louvre, and the leaks.
    orifices: m.airways.conduct.length + 2 * m.fans.fan.length + 1,
    fans: m.fans.powerW.length,
    sources: m.added.count,
    storeCells: m.buried.g.length + m.exchangers.reduce((sum, e) => sum + e.cells.length, 0),
  }
}

/**
 * The arrays of the time loop. They are made once and filled anew for each model: to the compiler they are then
 * constants, which the loop reads two to three times faster than arrays that come and go with a run.
 */
export function makeMemory(size: Size) {
  const all: (Float64Array | Int32Array | Uint8Array)[] = []
  const cleared = <T extends Float64Array | Int32Array | Uint8Array>(array: T): T => {
    all.push(array)
    return array
  }
  const doubles = (n: number) => cleared(new Float64Array(n))
  const ints = (n: number) => cleared(new Int32Array(n))
  const bytes = (n: number) => cleared(new Uint8Array(n))
  /** One value an hour. These are not cleared: each model fills them whole. */
  const hours = () => new Float32Array(HOURS)
  /** As many an hour as there are covers. */
  const hoursByCover = () => new Float32Array(HOURS * size.covers)
  const { chains, cells } = size
  return {
    size,
    doubles,
    ints,
    bytes,
    hours,
    hoursByCover,
    /** Share of light that each cover and the wet glass let through, and share of the block that it is drawn. */
    light: doubles(size.covers),
    covered: doubles(size.covers),
    /** By cover: the share that is frozen down where it would be open, and how full of water its cloth is. */
    stuck: doubles(size.covers),
    coverWet: doubles(size.covers),
    /** By cover: share of the sun that it lets fall on its panes: what hangs outside them shades them. */
    onPanes: doubles(size.covers),
    /** How long each opening has stood open in the hour, s: by half, half as long. */
    stoodOpen: doubles(size.openings),
    /**
     * By chain: share of its longwave that does not go round the room now: it passes a pane straight, or goes between
     * leaves and the soil beneath them.
     */
    through: doubles(chains),
    suns: new Float32Array(HOURS * size.suns),
    /** Scalars of the loop, and sums over the steps of a block: places in `room.ts`. */
    v: doubles(STATE_SIZE),
    sums: doubles(SUM_SIZE),
    lostJ: doubles(LOSS_NAMES.length),
    gainedJ: doubles(GAIN_NAMES.length),
    /** By source of the document: what it has brought, J. */
    broughtJ: doubles(size.sources),
    /** By source: heat that it has carried from one thing in the house to another, J. */
    movedJ: doubles(size.sources),
    /** By source: electricity of its pump or fan, J. */
    drawnJ: doubles(size.sources),
    /** By fan of the document: electricity, J. */
    fanJ: doubles(size.fans),
    /**
     * By cell: temperature °C; heat that comes to it in this block, W; heat that waits for the next block, J; and as in
     * the model.
     */
    T: doubles(cells),
    source: doubles(cells),
    pending: doubles(cells),
    capacity: doubles(cells),
    between: doubles(cells),
    fusion: doubles(cells),
    /** By cell: heat that its soil's water has given off as it froze, J. */
    frozenJ: doubles(cells),
    /**
     * By cell of a chain: capacity over the step, W/K; share that it passes on to its neighbour towards the room, and
     * follows it by; its own part.
     */
    store: doubles(cells),
    factor: doubles(cells),
    pivot: doubles(cells),
    /** By chain: first cell and last, and as in the model. */
    offset: ints(chains + 1),
    face: ints(chains),
    area: doubles(chains),
    glazed: bytes(chains),
    bed: bytes(chains),
    openWater: doubles(chains),
    /**
     * By chain: what ties its face to what lies behind it, W/K; films inside, W/K, and the parts of them
     * that go to the air round the beds and to that under the ridge; how it passes latent heat
     * (`makeMoisture`), and where a try of the step left it, °C.
     */
    head: doubles(chains),
    /**
     * Right-hand sides of the cells on the way in, W, and in their faces' places where those come to stand, °C; by
     * chain, of its face, what it would be by its chain alone, °C, and how far a watt moves it, K/W.
     */
    rhs: doubles(cells),
    headRow: doubles(chains),
    headPivot: doubles(chains),
    /** Sums of the side airs: places in `room.ts`. */
    sideSums: doubles(SIDE_PLACES),
    /**
     * By chain: what ties its first cell to what lies behind it, W/K, and the temperature there, °C; longwave from the
     * room straight past a pane, W/K, and the temperature that it sees, °C; sun on its outer face, W.
     */
    outG: doubles(chains),
    outT: doubles(chains),
    toSkyG: doubles(chains),
    toSkyT: doubles(chains),
    outerSun: doubles(chains),
    films: doubles(chains),
    mainFilm: doubles(chains),
    upFilm: doubles(chains),
    damp: doubles(chains),
    slope: doubles(chains),
    dampOwn: doubles(chains),
    tried: doubles(chains),
    /**
     * By chain: ice, kg; 1 while its water is part frozen; sum of its first cell's temperature over the block, °C s.
     */
    iceKg: doubles(chains),
    held: bytes(chains),
    firstSum: doubles(chains),
    /** By chain of leaves: their film, W/K, and the vapour that they give off, kg/s per unit of humidity ratio. */
    leafFilm: doubles(chains),
    leafDraw: doubles(chains),
    isLeaf: bytes(chains),
    /** By chain of a bed: share of its soil that no leaf stands over. */
    soilShare: doubles(chains),
    /** By chain: what has left by its outer side in the hour, J. */
    leftJ: doubles(chains),
    clear: () => {
      for (const array of all) array.fill(0)
    },
  }
}

export type Memory = ReturnType<typeof makeMemory>

/** Copies what the parts of the loop share. */
export function layModel(memory: Memory, m: NetworkModel): void {
  const { offset, face, pivot } = memory
  memory.clear()
  offset.set(m.offset)
  for (let c = 0; c < m.count; c++) {
    face[c] = m.offset[c + 1]! - 1
    pivot[face[c]!] = 1
  }
  memory.capacity.set(m.capacity)
  memory.between.set(m.between)
  memory.fusion.set(m.fusion)
  memory.area.set(m.area)
  memory.glazed.set(m.glazed)
  memory.bed.set(m.bed)
  memory.openWater.set(m.openWater)
  for (let c = 0; c < m.count; c++) memory.isLeaf[c] = m.leafOf[c]! >= 0 ? 1 : 0
}
