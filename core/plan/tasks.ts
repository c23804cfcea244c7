import { isLeaf } from '../geometry/parts'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import { digging } from '../takeoff/ground'
import { foundationOf } from '../takeoff/foundations'
import type { BuildStage } from '../takeoff/lines'

/** What the weather of a task's days must be. */
export type Weather = 'thawed' | 'pour' | 'mild'

/** What a task is worked out from. */
export interface Site {
  design: Design
  building: Building
}

/** A piece of the work, or a point at which it holds until something has been looked at. */
export interface Task {
  id: string
  name: string
  stage: BuildStage
  /** Hours of one person who has done it before; 0 for a hold. Thin evidence: people differ by a factor of two. */
  hours: (site: Site) => number
  /** It is a hold: what has to be so before the work goes on. */
  hold?: string
  weather?: Weather
  /** Days that it then rests, for concrete to harden. */
  restDays?: number
  /** What can hurt, said on the list. */
  caution?: string
  /** Whether this house has it. */
  has: (site: Site) => boolean
}

const glazedM2 = ({ building }: Site) =>
  building.surfaces.filter(s => s.kind === 'glazed').reduce((sum, s) => sum + s.areaM2, 0)
const solid = ({ building }: Site) =>
  building.surfaces.filter(s => s.kind === 'opaque' && s.boundary !== 'house' && !isLeaf(s))
const solidM2 = (site: Site) => solid(site).reduce((sum, s) => sum + s.areaM2, 0)
const dug = ({ design, building }: Site) => digging(design, building).reduce((sum, d) => sum + d.m3, 0)
const back = ({ design, building }: Site) => digging(design, building).reduce((sum, d) => sum + d.backM3, 0)
const stores = ({ design }: Site) => design.store.airStores.filter(s => s.on)
const isPoured = ({ design }: Site) =>
  ['slab', 'grade beam', 'insulated forms', 'rubble trench'].includes(foundationOf(design)?.id ?? '')
const drains = ({ design }: Site) =>
  design.build.foundation.drain !== null || design.build.foundation.kind === 'rubble trench'
/** Hours that a m² of glazing takes to fix, as it is sold. */
const FIXED_H = { roll: 0.12, sheets: 0.8, panes: 1.2 } as const
const isHooped = ({ design }: Site) => design.shape.form === 'hoop'
const always = () => true
const none = () => 0

/** The work in its order. A new task is an entry here, where it belongs. */
export const TASKS: readonly Task[] = [
  {
    id: 'permit',
    name: 'Permit in hand',
    stage: 'ground',
    hours: none,
    hold: 'The office has agreed, or has said that it need not.',
    has: ({ design }) => !['given', 'none needed'].includes(design.aim.practical.permits),
  },
  {
    id: 'lines-marked',
    name: 'Lines in the ground marked',
    stage: 'ground',
    hours: none,
    hold: 'Power, gas, water and drains under the site are marked by those who own them, before anything is dug.',
    has: site => dug(site) > 0.01,
  },
  { id: 'set-out', name: 'Set out, level and square', stage: 'ground', hours: () => 4, has: always },
  {
    id: 'dig',
    name: 'Dig',
    stage: 'ground',
    hours: site => dug(site) * 1.5,
    weather: 'thawed',
    caution: 'Keep sides of deep trenches sloped or shored, and spoil back from the edge; nobody works in one alone.',
    has: site => dug(site) > 0.01,
  },
  {
    id: 'drains',
    name: 'Lay drains',
    stage: 'ground',
    hours: ({ building }) => building.perimeterM * 0.2,
    weather: 'thawed',
    has: drains,
  },
  {
    id: 'pipes',
    name: 'Lay pipes and rock',
    stage: 'ground',
    hours: site => stores(site).length * 6 + site.building.lengthM * 0.8 * stores(site).length,
    weather: 'thawed',
    has: site => stores(site).length > 0,
  },
  {
    id: 'pipes-tested',
    name: 'Pipes tested',
    stage: 'ground',
    hours: none,
    hold: 'Each pipe is open to its end and falls to its drain, and the fan moves air through, before any is covered.',
    has: site => stores(site).length > 0,
  },
  {
    id: 'drains-run',
    name: 'Drains run',
    stage: 'ground',
    hours: none,
    hold: 'Water poured in at the top comes out at the end, before they are covered.',
    has: drains,
  },
  {
    id: 'foundation',
    name: 'Foundation',
    stage: 'foundation',
    hours: ({ building }) => building.perimeterM * 1.5,
    weather: 'pour',
    restDays: 7,
    caution: 'Wet concrete burns: gloves, boots, eyes covered, and water at hand.',
    has: isPoured,
  },
  {
    id: 'footings',
    name: 'Footings and base',
    stage: 'foundation',
    hours: ({ building }) => building.perimeterM * 0.6,
    weather: 'thawed',
    has: site => !isPoured(site),
  },
  {
    id: 'edge',
    name: 'Edge board',
    stage: 'foundation',
    hours: ({ design, building }) => building.perimeterM * (design.skin.edge.depthM + design.skin.edge.skirtM) * 0.6,
    has: ({ design }) => design.skin.edge.thicknessM > 0 && design.skin.edge.depthM + design.skin.edge.skirtM > 0,
  },
  {
    id: 'footing-seen',
    name: 'Footing seen',
    stage: 'foundation',
    hours: none,
    hold: 'Who must see footing, anchors and edge board has seen them, before the ground is filled.',
    has: always,
  },
  {
    id: 'backfill',
    name: 'Fill back',
    stage: 'foundation',
    hours: site => back(site) * 0.7,
    weather: 'thawed',
    has: site => back(site) > 0.01,
  },
  {
    id: 'frame',
    name: 'Frame',
    stage: 'frame',
    hours: site => (isHooped(site) ? 0.3 : 1) * glazedM2(site) + solidM2(site) * 0.6,
    caution: 'Brace each piece as it stands; ladders footed and tied; nobody on the frame in wind or on ice.',
    has: always,
  },
  {
    id: 'shell',
    name: 'Walls and roof',
    stage: 'shell',
    hours: site => solidM2(site) * 1.2,
    weather: 'mild',
    caution: 'Work on a roof from a scaffold or tied in; sheets are lifted by two, and not in wind.',
    has: site => solidM2(site) > 0.5,
  },
  {
    id: 'vapour-whole',
    name: 'Vapour layer whole',
    stage: 'shell',
    hours: none,
    hold: 'Every lap, edge and hole of the vapour layer is taped, before the inner board goes on.',
    has: site => solid(site).some(s => s.layers.length > 1),
  },
  {
    id: 'mass',
    name: 'Mass',
    stage: 'inside',
    hours: ({ design, building }) =>
      design.store.bodies.length * 4 +
      design.store.linings.reduce(
        (sum, l) =>
          sum +
          building.surfaces
            .filter(s => (s.layers as readonly object[]).includes(l))
            .reduce((m3, s) => m3 + s.areaM2 * l.thicknessM, 0) *
            6,
        0,
      ),
    caution:
      'It comes in while the sunny side is open: later it would have to pass the door. Stand full vessels on firm ' +
      'ground, tied so that none can fall on a child.',
    has: ({ design }) => design.store.bodies.length + design.store.linings.length > 0,
  },
  {
    id: 'beds',
    name: 'Floor, beds and soil',
    stage: 'inside',
    hours: ({ building }) => building.floorAreaM2 * 0.3 + building.bedAreaM2 * 0.9,
    has: always,
  },
  {
    id: 'face-looked-at',
    name: 'Marked face of sheets looked at',
    stage: 'glazing',
    hours: none,
    hold: 'The face that bears the sun is found on each sheet and marked on its film, before the first is fixed.',
    has: ({ building }) => building.surfaces.some(s => s.glazing?.uvFace),
  },
  {
    id: 'glazing',
    name: 'Glazing',
    stage: 'glazing',
    hours: ({ building }) =>
      building.surfaces.reduce((sum, s) => sum + (s.glazing ? s.areaM2 * FIXED_H[s.glazing.sold] : 0), 0),
    weather: 'mild',
    caution: 'Glass overhead must hold together when it breaks; gloves; no sheet is carried in wind.',
    has: always,
  },
  {
    id: 'openings',
    name: 'Doors and vents',
    stage: 'openings',
    hours: ({ design }) => design.skin.openings.length * 3,
    has: ({ design }) => design.skin.openings.length > 0,
  },
  {
    id: 'cover',
    name: 'Night cover',
    stage: 'glazing',
    hours: site => glazedM2(site) * 0.5,
    caution: 'Motors need limit switches: a cover that is wound on can pull a frame in.',
    has: ({ building }) => building.covers.some(c => c.id !== 'none' && !c.boards),
  },
  {
    id: 'power',
    name: 'Wiring',
    stage: 'devices',
    hours: () => 8,
    caution: 'By a licensed electrician: water and power stand close together here.',
    has: ({ design }) =>
      design.breathe.fans.length > 0 || design.topUp.sources.some(s => s.on) || stores({ design } as Site).length > 0,
  },
  {
    id: 'leak-test',
    name: 'Leaks found',
    stage: 'inside',
    hours: none,
    hold: 'With a fan in the door and smoke or a wet hand leaks are found, and sealed, before the first cold night.',
    has: always,
  },
]
