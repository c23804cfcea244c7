import { MATERIALS } from '../catalog'
import { choice, entryOf, length, number, orNull, text, thickness } from '../design/field'
import { atM, COMMON } from '../bodies/common'

/** So many beds may stand in a house. */
export const MOST_BEDS = 24

const SOIL_COVERS = [
  { id: 'bare', name: 'bare' },
  { id: 'mulch', name: 'mulch' },
  { id: 'film', name: 'film' },
] as const
const BED_FILLS = [
  { id: 'soil', name: 'soil' },
  { id: 'gravel', name: 'gravel' },
] as const

/** What is said of the place and the size of things that lie along the house. */
export const ALONGSIDE = {
  atM,
  widthM: length(0.2, 10, { label: 'wide' }),
  heightM: length(0, 1.5, { label: 'high' }),
  lengthM: orNull(length(0.2, 100, { label: 'long', none: 'as long as the house' }), {
    start: null,
    about: 'null: as long as the house',
  }),
  offsetM: { ...COMMON.offsetM, start: 0 },
}

/** What grows on a bed, and in what. */
export const PLANTED = {
  crop: orNull(text(80, { label: 'Crop', about: 'one of `aim.crops`, by its id' }), {
    start: null,
    about: 'null: planted all year',
  }),
  thenCrop: orNull(text(80, { label: 'After it', about: 'one of `aim.crops`, by its id' }), {
    start: null,
    about: 'grows in the bed in the months in which nothing is asked of the first; null: nothing does',
  }),
  leafArea: number('ratio', 0, 6, {
    start: 1,
    label: 'Leaf over bed area',
    about: 'while its crop grows; 0.7 of that while it is held',
  }),
  leavesM: orNull(length(0.02, 3, { label: 'Leaves stand so high', none: 'by its crop' }), {
    start: null,
    about: 'above its top, while its crop stands; null: as its crop grows',
  }),
  soilCover: choice(SOIL_COVERS, { start: 'bare', label: 'Its soil is' }),
  fill: choice(BED_FILLS, { start: 'soil', label: 'Filled with' }),
  soilDepthM: orNull(length(0.05, 1.5, { label: 'Roots go down to', none: 'as deep as the bed' }), {
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
}

/** What of a bed says what grows on it, and in what. */
export const plantedOf = (bed: { [name in keyof typeof PLANTED]: unknown }) =>
  Object.fromEntries(Object.keys(PLANTED).map(name => [name, bed[name as keyof typeof PLANTED]]))

/** Rounded to what a tape shows, m. */
export const cm = (v: number) => Math.round(v * 100) / 100

type Along = { atM: number; widthM: number }
/** Something along the house in one so many times as wide, and with its floor moved away from the sunny wall, m. */
export const stretchedAlong = ({ atM, widthM }: Along, factor: number): Along => ({
  atM: cm(atM * factor),
  widthM: cm(widthM * factor),
})
export const movedAlong = ({ atM }: Along, byM: number) => ({ atM: cm(Math.max(0, atM + byM)) })
