import { defineStore } from 'pinia'
import { computed, markRaw, reactive } from 'vue'
import { withSharedBranches, type Design } from '../../core/design'
import { withGlazingAngle } from '../../core/editing'
import type { Brief } from '../../core/study/brief'
import type { RunAs } from '../../core/study/ran-as'
import {
  angleVariants,
  coverVariants,
  formVariants,
  glazingVariants,
  mapVariants,
  amountVariants,
  heldVariants,
  turnVariants,
  ventVariants,
  wallVariants,
  type Variant,
} from '../../core/study/variants'
import { useDesign } from './design'
import { useRunAs } from './run-as'
import { useYear } from './year'

/** One worked-out variant. */
export interface StudyPoint extends Omit<Variant, 'design'> {
  figures: Brief
  design: Design
}

interface Kind {
  /** @param which of several things, by its place in the document, where the study is of one */
  variants: (design: Design, which: number) => Variant[]
  /** The design without what the study varies: two designs alike in the rest have one study. */
  rest: (design: Design) => Design
  /** Its houses say themselves how they are run. */
  ownRun?: boolean
}

const shaped = (d: Design, shape: Partial<Design['shape']>): Design => ({ ...d, shape: { ...d.shape, ...shape } })
const level = (d: Design) => ({ ...d, shape: withGlazingAngle(d.shape, 45) })
const KINDS = {
  angle: { variants: d => angleVariants(d), rest: level },
  turn: { variants: d => turnVariants(d), rest: d => shaped(d, { turnDeg: 0 }) },
  map: { variants: mapVariants, rest: d => level(shaped(d, { turnDeg: 0 })) },
  forms: { variants: formVariants, rest: d => d },
  glazings: {
    variants: d => [
      ...glazingVariants(d),
      ...glazingVariants({ ...d, skin: { ...d.skin, cover: { ...d.skin.cover, id: 'none' } } }).map(v => ({
        ...v,
        across: 1,
      })),
    ],
    rest: d => ({ ...d, skin: { ...d.skin, glazing: '' } }),
  },
  covers: { variants: coverVariants, rest: d => ({ ...d, skin: { ...d.skin, cover: { ...d.skin.cover, id: '' } } }) },
  walls: { variants: wallVariants, rest: d => d },
  amount: { variants: amountVariants, rest: d => d },
  vents: { variants: ventVariants, rest: d => d },
  held: { variants: heldVariants, rest: d => d, ownRun: true },
} satisfies Record<string, Kind>
export type StudyKind = keyof typeof KINDS

export interface Study {
  points: StudyPoint[]
  done: number
  total: number
  running: boolean
  failure: string
  /** What it is a study of, and of which of several things. */
  of: ReturnType<typeof figured> | null
  which: number
  /** How its houses were run. */
  as: RunAs
}

const fresh = (): Study => ({
  points: [],
  done: 0,
  total: 0,
  running: false,
  failure: '',
  of: null,
  which: -1,
  as: 'stands',
})

/** What of a design the figures of a study hang on: not its name. */
const figured = ({ aim, site, shape, skin, store, breathe, topUp }: Design) => ({
  aim,
  site,
  shape,
  skin,
  store,
  breathe,
  topUp,
})

/**
 * Studies of the design on the bench: many years side by side, worked out on demand and kept until another is asked
 * for.
 */
export const useStudies = defineStore('studies', () => {
  const bench = useDesign()
  const year = useYear()
  const run = useRunAs()
  const asOf = (kind: Kind): RunAs => (kind.ownRun ? 'stands' : run.as)
  const all = reactive(Object.fromEntries(Object.keys(KINDS).map(k => [k, fresh()])) as Record<StudyKind, Study>)
  const stops = new Map<StudyKind, AbortController>()
  /** Studies whose design has changed since. */
  const stale = computed(
    () =>
      Object.fromEntries(
        Object.entries(KINDS).map(([k, kind]) => {
          const study = all[k as StudyKind]
          const { of } = study
          if (of === null) return [k, false]
          const now = bench.current
          const { openings } = of.skin
          const alone = withSharedBranches(figured(kind.rest({ ...now, skin: { ...now.skin, openings } })), of) === of
          const its = JSON.stringify(now.skin.openings)
          // Openings go along with a point that is taken: its own are no other change.
          const known = [openings, ...study.points.map(p => p.design.skin.openings)]
          const isOtherwise = study.as !== asOf(kind as Kind)
          return [k, isOtherwise || !alone || !known.some(o => JSON.stringify(o) === its)]
        }),
      ) as Record<StudyKind, boolean>,
  )

  function cancel(kind: StudyKind): void {
    stops.get(kind)?.abort()
    all[kind].running = false
  }

  async function start(kind: StudyKind, which = -1): Promise<void> {
    cancel(kind)
    const design = bench.current
    const variants = (KINDS[kind] as Kind).variants(design, which)
    const as = asOf(KINDS[kind])
    const stop = new AbortController()
    stops.set(kind, stop)
    Object.assign(all[kind], {
      ...fresh(),
      total: variants.length,
      running: true,
      which,
      as,
      of: markRaw(figured(KINDS[kind].rest(design))),
    })
    const study = all[kind]
    try {
      await year.briefs(
        variants.map(v => v.design),
        as,
        (figures, i) => {
          // A design goes to workers as it is: what is watched in depth can't be copied.
          study.points = [...study.points, markRaw({ ...variants[i]!, figures })].sort(
            (a, b) => a.across - b.across || a.at - b.at,
          )
          study.done++
        },
        stop.signal,
      )
    } catch (error) {
      if (!stop.signal.aborted) study.failure = error instanceof Error ? error.message : String(error)
    }
    if (!stop.signal.aborted) study.running = false
  }
  /** Takes the shape of a point, with the openings it was worked out with while it is of the house on the bench. */
  function takeShape(kind: StudyKind, point: StudyPoint, shape: Design['shape'], words: string): string | null {
    if (stale.value[kind]) return bench.setShape(shape, words)
    return bench.edit(
      [
        ['shape', point.design.shape],
        ['skin.openings', point.design.skin.openings],
      ],
      words,
    )
  }
  /** Whether the houses of a study say themselves how they are run. */
  const runsItself = (kind: StudyKind): boolean => (KINDS[kind] as Kind).ownRun ?? false
  return { all, stale, runsItself, start, cancel, takeShape }
})
