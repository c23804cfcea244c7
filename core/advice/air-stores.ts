import { bundlePressurePa, roundPipe } from '../air-stores/air-path'
import { bundleOf } from '../air-stores/earth-store'
import { airStoreKind, airStoreName, type AirStore } from '../air-stores/registry'
import type { Design } from '../design/types'
import { layPipes } from '../geometry/pipes'
import { formatQuantity, type Quantity } from '../units'
import { groundOf } from '../materials/ground'

type Show = (value: number, quantity: Quantity) => string

/** Air that leaves pipes should have given up so much of what it could. */
const ENOUGH = 0.6
/** Faster than this pipes roar and the fan pays for it, m/s. */
const FAST_MS = 4
/** Slower flow than this share of the free one: the fan does not get through. */
const HARDLY = 0.15
/** A manifold or riser that takes so much of the pressure chokes. */
const CHOKES = 0.4
/** Least fall at which water runs. */
const LEAST_FALL = 0.005

/** What is wrong with the air stores of a design, in the order of the document: each with what would mend it. */
export function airStoreCautions(
  design: Design,
  show: Show = (v, quantity) => formatQuantity(v, quantity, 'metric'),
): string[] {
  const { airStores } = design.store
  return airStores.flatMap((s, i) =>
    s.on ? faultsOf(design, s, show).map(text => `${airStoreName(airStores, i)}: ${text}`) : [],
  )
}

function faultsOf(design: Design, s: AirStore, show: Show): string[] {
  const out: string[] = []
  const soilConductivity = groundOf(design.site).conductivity
  const kind = airStoreKind(s)
  const { flowM3s, effectiveness } = kind.work(s, { lengthM: design.shape.lengthM, soilConductivity })
  const free = s.fan.freeFlowM3h / 3600
  if (flowM3s < HARDLY * free)
    out.push(
      `the fan hardly gets through (${show(flowM3s * 3600, 'airflow')} of ${show(s.fan.freeFlowM3h, 'airflow')}): ` +
        'its curve meets the pipes’ almost at shut-off. More or wider pipes, or a fan with more pressure.',
    )
  if (s.kind !== 'earth store') return out
  const bundle = bundleOf(s, soilConductivity)
  const speed = flowM3s / s.pipes / bundle.areaM2
  if (effectiveness < ENOUGH)
    out.push(
      `the pipes are too short or too few: the air gives up only ${Math.round(effectiveness * 100)} % of what it ` +
        'could before it is back. Longer or more of them, or less flow.',
    )
  if (speed > FAST_MS)
    out.push(`air runs at ${show(speed, 'speed')} in each pipe: more or wider pipes cost the fan less.`)
  const open = bundlePressurePa({ ...bundle, narrow: [] }, flowM3s)
  const all = bundlePressurePa(bundle, flowM3s)
  if (all > 0 && (all - open) / all > CHOKES) {
    const wanted = Math.sqrt(s.pipes) * s.pipeDiameterM
    out.push(`the manifold or riser chokes the pipes: as wide as all of them is ${show(wanted, 'thickness')}.`)
  }
  const bends = bundlePressurePa({ ...bundle, narrow: [], returns: 0 }, flowM3s)
  if (open > 0 && (open - bends) / open > CHOKES) out.push('its bends choke it: fewer runs, or wider pipes.')
  const { edge } = design.skin
  if (edge.depthM < s.depthM || edge.thicknessM <= 0)
    out.push(
      `no board at the edge goes down to the pipes (${show(s.depthM, 'length')}): much of what is stored leaves ` +
        'sideways. Set it under Skin, Ground edge.',
    )
  if (!s.perforated && (!s.drained || s.fallShare < LEAST_FALL))
    out.push('water stands in pipes without holes, without a drain or a fall of half a per cent: mould.')
  const { fits, wantedM } = layPipes(design, s)
  if (!fits)
    out.push(
      `its pipes want ${show(wantedM, 'length')} across, or are longer than the house: the drawing has them closer. ` +
        'Fewer, closer or shorter ones.',
    )
  if (roundPipe(s.pipeDiameterM).areaM2 * s.pipes > 0.25 * design.shape.widthM * s.depthM)
    out.push('there are so many wide pipes that little soil is left between them.')
  return out
}
