import type { Design, StepId } from '../../core/design'
import type { StopId } from './path'

/** What a stop of the walk looks at to know that it is done. */
export interface WalkState {
  /** The design when the stop was come to, and as it is now. */
  before: Design
  now: Design
  /** Whether the night cover has been off since. */
  uncovered: boolean
  /** Rungs of the ladder that are there. */
  rungs: number
  starting: boolean
}

/** One stop of the walk: what is to be tried, where it is, and when it is done. */
export interface Stop {
  title: string
  /** What to do, for a hand on the pointer; and for one on the keys. */
  text: string
  keys: string
  /** The step of the bench where it is, and the part of it. */
  step: StepId | 'year' | 'weighUp'
  tab?: string
  /** What is ringed, by a selector. */
  target: string
  /** null: one goes on by reading. */
  done: ((state: WalkState) => boolean) | null
  /** What one has seen by it. */
  seen: string
}

const drums = ({ store }: Design) => store.bodies.reduce((sum, b) => sum + (b.kind === 'drums' ? b.count : 0), 0)

/** The walk, on the demo. A new stop is an entry here, and its place in `path.ts`. */
export const STOPS: Readonly<Record<StopId, Stop>> = {
  ridge: {
    title: 'Drag the ridge',
    text: 'The drawing is the instrument. Take the ring at the ridge and move it: the coldest night follows.',
    keys: 'With the keys: Tab to the ridge, then the arrows.',
    step: 'shape',
    target: '[data-test="handle-ridge"]',
    done: ({ before, now }) =>
      before.shape.ridgeHeightM !== now.shape.ridgeHeightM || before.shape.ridgeAtM !== now.shape.ridgeAtM,
    seen: 'Each move runs the whole year again. What you saw is an answer, not a rule of thumb.',
  },
  cover: {
    title: 'Draw the blanket',
    text: 'Choose “No cover” for the night cover, and look at the score. Then choose the quilted blanket again.',
    keys: 'With the keys: Tab to the list, then the arrows.',
    step: 'skin',
    tab: 'tab-cover',
    target: '[data-why="skin.cover.id"]',
    done: ({ now, uncovered }) => uncovered && now.skin.cover.id !== 'none',
    seen: 'Nothing else lifts a cold night so much for its money. Undo brings back anything.',
  },
  drums: {
    title: 'Add drums of water',
    text: 'Press the drums, and give them a larger number. The year says what more of them is worth.',
    keys: 'With the keys: Tab to the field, type a number, Enter.',
    step: 'store',
    target: '[data-test="panel-store"]',
    done: ({ before, now }) => drums(now) > drums(before),
    seen: 'Water evens out days; it makes no heat. After some number more of it adds little.',
  },
  why: {
    title: 'Read why',
    text: 'Why was the worst night the worst? The paragraph is made of this year’s own numbers.',
    keys: 'Under it stands what would have helped most.',
    step: 'year',
    target: '[data-test="panel-year"]',
    done: null,
    seen: 'Every figure can be followed back to the hour that it comes from.',
  },
  ladder: {
    title: 'Try the ladder',
    text: 'Let every sensible change be run, some fifty of them, and see which buys the most. A press lays one on.',
    keys: 'It can be stopped at any time.',
    step: 'weighUp',
    target: '[data-test="start-ladder"]',
    done: ({ rungs }) => rungs > 3,
    seen: 'What pays here need not pay on your site: climate decides.',
  },
  yours: {
    title: 'Start yours',
    text: 'Four questions, and you have a house for your own place, to bend as you did this one.',
    keys: 'What you changed here stays in this design, and can be undone.',
    step: 'shape',
    target: '[data-test="start-yours"]',
    done: ({ starting }) => starting,
    seen: 'Good growing.',
  },
}
