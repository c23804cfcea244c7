import { airStoreKind, airStoreName, type AirStore, type AirStoreKindId } from '../air-stores/registry'
import { DUCT_FANS, entry, MATERIALS } from '../catalog'
import type { Design } from '../design/types'
import { stockOf } from '../frame/spacing'
import { layChannels, layPipes, layRockBed, OVER_ROCK_M } from '../geometry/pipes'
import type { Show } from '../units'
import { heavy, type Need, type PartNeeds } from './lines'

const ROCK = entry(MATERIALS, 'gravel')

type Store<K extends AirStoreKindId> = Extract<AirStore, { kind: K }>

/** A pin holds so much pipe, m. */
const PIN_M = 1
/** Pipes are paid for by the width of 100 mm ones, m. */
const PIPE_M = 0.1
/** A riser stands so far over the floor, and a tube's head over the ground, m. */
export const OVER_FLOOR_M = 1
const HEAD_M = 1.2
/** An earth tube's trench is dug so wide, m. */
const TRENCH_M = 0.5
/** Air goes no faster in the pipes that feed a rock bed, m/s. */
const FEED_MS = 4
/** A fan that is sold does for one that is entered where it blows as much at half its pressure, or so much more. */
const ALIKE = 1.35

/** Pipe of a width, bought by its lengths. */
const pipe = (item: string, word: string, amount: number, diameterM: number, show: Show): Need => ({
  item: `${item}, ${show(diameterM, 'thickness')}`,
  word,
  amount,
  unit: 'm',
  price: 'device.pipe',
  times: diameterM / PIPE_M,
  pack: 'pipeM',
})
const pieces = (item: string, amount: number, price: string, note = ''): Need => ({
  item,
  amount,
  unit: 'pieces',
  price,
  note,
})
const cloth = (item: string, amount: number): Need => ({
  item,
  amount,
  unit: 'm²',
  price: 'stock.cloth',
  pack: 'rollM2',
})

/** What a fan with a straight curve blows against half of its shut-off pressure, m³/h. */
const atHalf = (freeFlowM3h: number) => freeFlowM3h / 2

/** The fan of a store: as it is entered, and which of those that are sold does its work. */
function fanNeed({ freeFlowM3h, shutOffPa, powerW }: AirStore['fan'], show: Show): Need {
  const sold = DUCT_FANS.find(f => {
    // Both curves are straight: what this one blows where that one is at half of its pressure.
    const blows = f.freeFlowM3h * (1 - shutOffPa / 2 / f.shutOffPa)
    return blows >= atHalf(freeFlowM3h) && blows <= ALIKE * atHalf(freeFlowM3h) + 100
  })
  const like = sold
    ? `such as: ${sold.name}, ${show(sold.powerW, 'electricPower')}`
    : 'none of those known is like it: ask'
  const curve =
    `${show(freeFlowM3h, 'airflow')} free, ${show(shutOffPa, 'pressure')} against a closed end, ` +
    `${show(powerW, 'electricPower')} as entered`
  return {
    item: 'Duct fan, each 100 m³/h',
    word: 'duct fan',
    amount: freeFlowM3h / 100,
    unit: 'pieces',
    price: 'device.duct-fan',
    cut: true,
    note: `${curve}; ${like}`,
  }
}

/** What a store takes besides its fan, and what is dug for it, m³, with what of that goes back. */
interface Taken {
  needs: Need[]
  digM3: number
  backM3: number
}

type Takes = { [K in AirStoreKindId]: (store: Store<K>, design: Design, show: Show) => Taken }

/** By kind: a new kind of store says here what it takes. */
const TAKES: Takes = {
  'earth store': (s, design, show) => {
    const lay = layPipes(design, s)
    const first = lay.runs[0]
    const runM = first ? first.y1 - first.y0 : 0
    const joints = Math.max(0, Math.ceil(runM / stockOf(design.build).pipeM - 1e-9) - 1)
    const manifoldM = lay.manifolds.reduce((sum, m) => sum + Math.abs(m.x1 - m.x0), 0)
    const pipesM = lay.runs.reduce((sum, r) => sum + r.y1 - r.y0, 0)
    const asAll = s.pipeDiameterM * Math.sqrt(s.pipes)
    const byPipe = s.manifold === 'pipe'
    // One pit under all of it, as wide as the outer pipes lie apart.
    const across = Math.abs(lay.manifolds[0]!.x1 - lay.manifolds[0]!.x0) + s.spacingM
    const digM3 = across * (runM + s.spacingM) * s.depthM
    const pipesM3 = (pipesM * Math.PI * s.pipeDiameterM ** 2) / 4
    return {
      digM3,
      backM3: digM3 - pipesM3,
      needs: [
        pipe('Pipe', 'pipe', pipesM, s.pipeDiameterM, show),
        pieces('Couplers', lay.runs.length * joints, 'stock.coupler'),
        pieces('Bends where pipes return', 2 * lay.returns.length, 'stock.coupler'),
        byPipe
          ? {
              item: `Manifolds, ${show(s.manifoldM ?? asAll, 'thickness')}`,
              word: 'manifolds',
              amount: manifoldM,
              unit: 'm',
              price: 'stock.manifold',
            }
          : pieces('Barrels as manifolds', 2, 'vessel.barrel-200'),
        pieces('Saddles, a pipe to its manifold', 2 * s.pipes, 'stock.coupler'),
        pieces('Caps of manifolds', byPipe ? lay.manifolds.length : 0, 'stock.cap'),
        pipe('Risers', 'risers', 2 * (s.depthM + OVER_FLOOR_M), s.riserM ?? asAll, show),
        pieces('Elbows of risers', 2, 'stock.coupler', 'wide ones: sharp turns cost flow'),
        pieces('Pins', Math.ceil(pipesM / PIN_M), 'stock.pin'),
        cloth('Filter cloth round it', s.perforated ? Math.PI * s.pipeDiameterM * pipesM : 0),
        pieces('Drain at its low end', s.drained ? 1 : 0, 'stock.coupler'),
      ],
    }
  },
  'rock bed': (s, design, show) => {
    const lay = layRockBed(design, s)
    const [across, along, deep] = [lay.x1 - lay.x0, lay.y1 - lay.y0, lay.z1 - lay.z0]
    const rockM3 = across * along * deep
    const ins = s.insulationM
    const digM3 = (across + 2 * ins) * (along + 2 * ins) * (deep + 2 * ins + OVER_ROCK_M)
    const around = 2 * across * along + 2 * (across + along) * deep
    const feedM = Math.sqrt((4 * s.fan.freeFlowM3h) / 2 / 3600 / FEED_MS / Math.PI)
    return {
      digM3,
      backM3: across * along * OVER_ROCK_M,
      needs: [
        {
          item: 'Washed rock',
          amount: rockM3,
          unit: 'm³',
          price: 'material.gravel',
          note: `${show(s.rockM, 'thickness')}, of one size; ${heavy(rockM3 * ROCK.density, show)}`,
        },
        {
          item: `Foam all round it, ${show(ins, 'thickness')}`,
          word: 'foam',
          amount: ins > 0 ? around : 0,
          unit: 'm²',
          price: 'material.xps',
          times: ins,
          pack: 'insulationBoardM2',
        },
        cloth('Cloth over it and at its sides', across * along + 2 * (across + along) * deep),
        pipe('Slotted pipe over the rock and under it', 'feeds', 2 * along, feedM, show),
        pipe('Risers', 'risers', 2 * OVER_FLOOR_M + deep + 2 * OVER_ROCK_M, feedM, show),
        pieces('Elbows', 2, 'stock.coupler'),
        pieces('Caps', 2, 'stock.cap'),
      ],
    }
  },
  'bed channels': (s, design) => {
    const lay = layChannels(design, s)
    const longM = lay.reduce((sum, c) => sum + c.y1 - c.y0, 0)
    const wide = lay.length > 0 ? Math.max(...lay.map(c => c.x0 + c.widthM)) - Math.min(...lay.map(c => c.x0)) : 0
    return {
      digM3: 0,
      backM3: 0,
      needs: [
        { item: 'Channels, under the beds', word: 'channels', amount: longM, unit: 'm', price: 'device.channel' },
        { item: 'Manifolds at both ends', word: 'manifolds', amount: 2 * wide, unit: 'm', price: 'stock.manifold' },
        cloth(
          'Cloth over them',
          lay.reduce((sum, c) => sum + (c.y1 - c.y0) * (c.widthM + 2 * c.heightM), 0),
        ),
      ],
    }
  },
  'earth tube': (s, design, show) => {
    const joints = Math.max(0, Math.ceil(s.lengthM / stockOf(design.build).pipeM - 1e-9) - 1)
    const digM3 = s.lengthM * TRENCH_M * s.depthM
    return {
      digM3,
      backM3: digM3 - (s.lengthM * Math.PI * s.diameterM ** 2) / 4,
      needs: [
        pipe('Pipe, smooth', 'pipe', s.lengthM, s.diameterM, show),
        pipe('Head outside and riser inside', 'risers', 2 * s.depthM + HEAD_M + OVER_FLOOR_M, s.diameterM, show),
        pieces('Couplers', joints, 'stock.coupler'),
        pieces('Elbows', 2, 'stock.coupler'),
        pieces('Hood with a mesh against mice', 1, 'stock.cap'),
        pieces('Drain at its low end', 1, 'stock.coupler', 'what condenses runs there: the tube falls to it'),
      ],
    }
  },
}
const taken = (design: Design, s: AirStore, show: Show): Taken =>
  (TAKES[s.kind] as (store: AirStore, design: Design, show: Show) => Taken)(s, design, show)

/** What each air store in use takes: its pipes, what joins and closes them, and its fan. */
export const airStoreNeeds = (design: Design, show: Show): PartNeeds[] =>
  design.store.airStores.map((s, i) => ({
    stage: 'ground',
    part: airStoreName(design.store.airStores, i).toLowerCase(),
    needs: s.on ? [...taken(design, s, show).needs, fanNeed(s.fan, show)] : [],
  }))

/** What is dug for each, and what of it goes back, m³. */
export const airStoreDigging = (design: Design, show: Show): { what: string; m3: number; backM3: number }[] =>
  design.store.airStores
    .filter(s => s.on)
    .map(s => {
      const { digM3, backM3 } = taken(design, s, show)
      return { what: `the ${airStoreKind(s).name.toLowerCase()}`, m3: digM3, backM3 }
    })
