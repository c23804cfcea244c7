import { MATERIALS } from '../../catalog'
import {
  angle,
  choice,
  count,
  entryOf,
  flag,
  group,
  length,
  list,
  number,
  orNull,
  temperature,
  text,
  thickness,
} from '../field'
import { CHAIN_CHOICES } from './parts'

/** Where and how large something is that stands along the whole length of the house. */
const ALONGSIDE = {
  atM: length(0, 20, { label: 'from the sunny wall' }),
  widthM: length(0.2, 10, { label: 'wide' }),
  heightM: length(0, 1.5, { label: 'high' }),
}

/** So many beds may stand in a house. */
export const MOST_BEDS = 6

export const SOIL_COVERS = [
  { id: 'bare', name: 'bare' },
  { id: 'mulch', name: 'mulch' },
  { id: 'film', name: 'film' },
] as const
export const BED_FILLS = [
  { id: 'soil', name: 'soil' },
  { id: 'gravel', name: 'gravel' },
] as const
export const BED = group(
  {
    ...ALONGSIDE,
    crop: orNull(text(80, { label: 'Crop', about: 'one of `aim.crops`, by its id' }), {
      start: null,
      about: 'null: planted all year',
    }),
    leafArea: number('ratio', 0, 6, {
      start: 1,
      label: 'Leaf over bed area',
      about: 'while its crop grows; 0.7 of that while it is held',
    }),
    leavesM: orNull(length(0.02, 3, { label: 'Leaves stand so high' }), {
      start: null,
      about: 'above its top, while its crop stands; null: as its crop grows',
    }),
    soilCover: choice(SOIL_COVERS, { start: 'bare', label: 'Its soil is' }),
    fill: choice(BED_FILLS, { start: 'soil', label: 'Filled with' }),
    soilDepthM: orNull(length(0.05, 1.5, { label: 'Roots go down to' }), {
      start: null,
      about: 'depth below its top; null: as far as the bed is high',
    }),
    boardM: thickness(0, 0.3, {
      start: 0,
      step: 0.01,
      label: 'Board round it',
      about: 'thickness; 0 where its sides are bare',
    }),
    boardMaterial: entryOf(MATERIALS, { start: 'softwood', label: 'The board is of' }),
  },
  { label: 'Bed #' },
)
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
    beds: list(BED, 0, MOST_BEDS, { label: 'Beds', about: 'as long as the building' }),
    benches: list(BENCH, 0, 6, { start: [], label: 'Benches', about: 'as long as the building' }),
  },
  { label: 'Shape' },
)
