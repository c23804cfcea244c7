import { LAYOUTS } from '../air-stores/earth-store'
import { airStoreKind, type AirStore } from '../air-stores/registry'
import type { Design } from '../design/types'
import { roomObjects } from './objects'

type EarthStore = Extract<AirStore, { kind: 'earth store' }>
type BedChannels = Extract<AirStore, { kind: 'bed channels' }>
type RockBed = Extract<AirStore, { kind: 'rock bed' }>

/** A run of a pipe along the house: where it crosses the section, m below the floor, and how far it goes, m. */
export interface PipeRun {
  /** Which pipe it is of, and which of its runs. */
  pipe: number
  run: number
  x: number
  z: number
  y0: number
  y1: number
  radiusM: number
}

/** An earth store's pipes as they lie. */
export interface PipeLay {
  runs: PipeRun[]
  /** Returns between runs and manifolds at the ends, as lines on the plan: x across, y along, m. */
  returns: { y: number; x0: number; x1: number }[]
  manifolds: { y: number; x0: number; x1: number }[]
  /** Floor that they want across at the spacing asked, m; they are drawn closer where that is more than there is. */
  wantedM: number
  fits: boolean
}

/** Kept free at the walls, m. */
const MARGIN_M = 0.2

/** Ground under a floor that pipes and rock may take, m: less what is kept free at the walls. */
export const freeRoomM = ({ widthM, lengthM }: Pick<Design['shape'], 'widthM' | 'lengthM'>) => ({
  acrossM: widthM - 2 * MARGIN_M,
  alongM: lengthM - 2 * MARGIN_M,
})

/**
 * Where the pipes of an earth store lie under a house: run by run side by side from the middle, in one layer or two, as
 * long as their runs are or the house is.
 */
export function layPipes({ shape }: Pick<Design, 'shape'>, store: EarthStore): PipeLay {
  const { runs: turns, layers } = LAYOUTS[store.layout]
  const depths = airStoreKind(store).depthsM(store)
  const perLayer = Math.ceil(store.pipes / layers)
  const across = perLayer * turns
  const wantedM = (across - 1) * store.spacingM + store.pipeDiameterM
  const room = shape.widthM - 2 * MARGIN_M
  const pitch = across > 1 ? Math.min(store.spacingM, (room - store.pipeDiameterM) / (across - 1)) : 0
  const along = Math.min(shape.lengthM - 2 * MARGIN_M, store.pipeLengthM / turns)
  const y0 = (shape.lengthM - along) / 2
  const first = shape.widthM / 2 - ((across - 1) * pitch) / 2
  const runs: PipeRun[] = []
  const returns: PipeLay['returns'] = []
  for (let pipe = 0; pipe < store.pipes; pipe++) {
    const place = Math.floor(pipe / layers)
    for (let run = 0; run < turns; run++) {
      const x = first + (place * turns + run) * pitch
      runs.push({ pipe, run, x, z: -depths[pipe % layers]!, y0, y1: y0 + along, radiusM: store.pipeDiameterM / 2 })
      if (run > 0) returns.push({ y: run % 2 === 1 ? y0 + along : y0, x0: x - pitch, x1: x })
    }
  }
  const end = first + (across - 1) * pitch
  // An even number of runs comes back to the side that it left.
  const manifolds = [y0, turns % 2 === 1 ? y0 + along : y0].map(y => ({ y, x0: first, x1: end }))
  return {
    runs,
    returns,
    manifolds,
    wantedM,
    fits: wantedM <= room + 1e-9 && store.pipeLengthM / turns <= shape.lengthM,
  }
}

/** A rock bed under a floor, m: its rock in section from the sunny wall, below the floor, and how far it goes along. */
export interface RockLay {
  x0: number
  x1: number
  z0: number
  z1: number
  y0: number
  y1: number
}

/** No rock bed is narrower, m. */
const LEAST_ACROSS_M = 0.5
/** Soil over the cloth on a rock bed, m. */
export const OVER_ROCK_M = 0.15

/** Where a rock bed lies: in the middle, as long as the house or as its area asks, whichever is less. */
export function layRockBed({ shape }: Pick<Design, 'shape'>, { areaM2, depthM }: RockBed): RockLay {
  const along = Math.min(shape.lengthM - 2 * MARGIN_M, areaM2 / LEAST_ACROSS_M)
  const across = Math.min(shape.widthM - 2 * MARGIN_M, areaM2 / along)
  const middle = { x: shape.widthM / 2, y: shape.lengthM / 2 }
  return {
    x0: middle.x - across / 2,
    x1: middle.x + across / 2,
    z0: -OVER_ROCK_M - depthM,
    z1: -OVER_ROCK_M,
    y0: middle.y - along / 2,
    y1: middle.y + along / 2,
  }
}

/** Channels under the beds as they lie: how wide each is, and where they begin across and how high they are, m. */
export function layChannels(
  design: Pick<Design, 'shape' | 'store'>,
  { count, widthM, heightM }: BedChannels,
): { x0: number; widthM: number; heightM: number; y0: number; y1: number }[] {
  const beds = roomObjects(design).filter(o => o.kind === 'bed')
  const wide = beds.reduce((sum, b) => sum + b.x1 - b.x0, 0)
  let across = 0
  return beds.flatMap(b => {
    // Shared among the beds by their widths.
    const before = Math.round((count * across) / wide)
    across += b.x1 - b.x0
    const own = Math.round((count * across) / wide) - before
    const pitch = (b.x1 - b.x0) / own
    const fits = Math.min(widthM, pitch)
    return Array.from({ length: own }, (_, k) => ({
      x0: b.x0 + (k + 0.5) * pitch - fits / 2,
      widthM: fits,
      heightM,
      y0: b.y0,
      y1: b.y1,
    }))
  })
}

/** How deep what lies under the floor goes, m; 0 where nothing does. */
export const deepestM = ({ store }: Pick<Design, 'store'>): number =>
  Math.max(
    0,
    ...store.airStores.map(s =>
      !s.on ? 0 : s.kind === 'earth store' ? s.depthM : s.kind === 'rock bed' ? s.depthM + OVER_ROCK_M : 0,
    ),
  )
