import { ALONGSIDE, MOST_BEDS } from '../../beds/common'
import { BED } from '../../beds/registry'
import { angle, choice, count, flag, group, length, list, money, temperature } from '../field'
import { CHAIN_CHOICES } from './parts'

const month = (start: number, label: string) => count(1, 12, { start, label, about: '1 for January to 12' })
export const BENCH = group(
  { ...ALONGSIDE, fromMonth: month(1, 'stands from the start of month'), untilMonth: month(12, 'to the end of month') },
  { label: 'Bench #' },
)

export const FORM_CHOICES = [
  { id: 'shed', name: 'Shed' },
  { id: 'gable', name: 'Gable' },
  { id: 'saltbox', name: 'Saltbox' },
  { id: 'gambrel', name: 'Gambrel' },
  { id: 'a-frame', name: 'A-frame' },
  { id: 'arch', name: 'Arch' },
  { id: 'hoop', name: 'Hoop' },
  { id: 'lean-to', name: 'Lean-to' },
  { id: 'dome', name: 'Dome' },
  { id: 'own', name: 'Own' },
] as const

/** A corner of the section in the form `own`, with the part of the skin that leads to it. */
export const CORNER = group(
  {
    part: choice(CHAIN_CHOICES, { label: 'Part', about: 'the part that ends here' }),
    atM: length(0, 20, { label: 'from the sunny wall' }),
    heightM: length(0, 12, { label: 'high' }),
  },
  { label: 'Corner #' },
)

/** Flattest and steepest glazing that the section allows, degrees from level. */
export const GLAZING_ANGLE_RANGE: readonly [number, number] = [8, 88]

/** The section, the length and what stands in it. */
export const SHAPE = group(
  {
    form: choice(FORM_CHOICES, { label: 'Form' }),
    turnDeg: angle(-180, 180, {
      step: 1,
      usual: [-90, 90],
      label: 'Sunny side turned to the east (+) or west (−)',
      hint: 'True compass, not magnetic. 10 to 25° to the morning side warms earlier.',
      about: 'turn of the sunny side from the equator, positive to the east in both hemispheres',
    }),
    lengthM: length(1, 100, { label: 'Length', about: 'inside, along the ridge' }),
    widthM: length(1.2, 20, { label: 'Width', about: 'inside, sunny wall to back wall; x from the sunny wall' }),
    kneeWallM: length(0, 3, { label: 'Knee wall' }),
    ridgeHeightM: length(1, 12, { label: 'Ridge height', about: 'above the floor, inside' }),
    ridgeAtM: length(0.3, 20, {
      label: 'Ridge from the sunny wall',
      about: 'a saltbox sets it; a shed’s and a lean-to’s is the width, that of forms alike on both sides half of it',
    }),
    backWallM: length(0, 12, {
      label: 'Back wall',
      about: 'a saltbox sets it; a shed’s is the ridge height, a gable’s the knee wall; an A-frame has no walls',
    }),
    front: flag({
      start: false,
      label: 'Steep front under the slope',
      about: 'shed, lean-to, gable, saltbox: a front from the knee wall to the break; a gambrel always has one',
    }),
    breakAtM: length(0, 20, {
      start: 0.8,
      label: 'Break of the slope, from the sunny wall',
      hint: '0 for an upright front.',
      about: 'where front and sunny slope meet; a gambrel’s pole side mirrors it',
    }),
    breakHeightM: length(0.2, 12, { start: 2.2, label: 'Break of the slope, height' }),
    sunkM: length(0, 4, {
      start: 0,
      label: 'Floor below the ground',
      hint: 'No deeper than the knee wall: glass does not stand in earth.',
      about: 'at the sunny wall',
    }),
    riseM: length(-2, 3, {
      start: 0,
      label: 'Ground outside higher at the back',
      hint: 'Negative where it falls that way.',
    }),
    pathM: length(-0.8, 0.4, {
      start: 0,
      step: 0.05,
      label: 'Paths against the floor',
      hint: 'Dug lower by a step, cold air drains into them and leaves the beds a little warmer; heads have more room.',
      about: 'negative where they are dug lower',
    }),
    overhangM: length(0, 3, { start: 0, label: 'Eave over the glazing', about: 'solid, level, beyond its top' }),
    house: group(
      {
        heightM: length(1, 20, { start: 6, label: 'House wall, height', about: 'above the greenhouse floor' }),
        beyondM: length(0, 30, { start: 3, label: 'House wall, beyond each end' }),
        airC: temperature(-5, 30, { start: 18, label: 'Air in the house' }),
        pricePerKWh: money(0, 1e5, { start: 0, label: 'A kWh of its heat costs', about: '0 while it is not known' }),
      },
      { label: 'House', about: 'lean-to: the house that it leans on' },
    ),
    corners: list(CORNER, 0, CHAIN_CHOICES.length, {
      start: [],
      label: 'Corners',
      about: 'form `own`: from the top of its first part round to the pole-side foot, the parts in their order',
    }),
    dome: group(
      {
        poleSideDeg: angle(0, 180, {
          start: 75,
          step: 5,
          label: 'Pole side, to each hand',
          about: 'dome: its pole side reaches so far round from the pole',
        }),
        poleSideRings: count(0, 3, {
          start: 2,
          step: 1,
          label: 'Pole side, rings',
          about: 'dome: and so many of its three rings up',
        }),
      },
      { label: 'Dome' },
    ),
    shadeStripM: length(0, 5, {
      start: 0,
      label: 'Shade strip inside its top',
      about: 'opaque, measured down the sunny slope',
    }),
    beds: list(BED, 0, MOST_BEDS, { label: 'Beds', about: 'what plants grow in, each of a kind' }),
    benches: list(BENCH, 0, 6, { start: [], label: 'Benches' }),
  },
  { label: 'Shape' },
)
