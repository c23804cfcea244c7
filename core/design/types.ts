import { area, choice, count, group, list, text, type Value } from './field'
import { AIM, CROP_CHOICE, type CROP_NEEDS } from './fields/aim'
import { BREATHE } from './fields/breathe'
import { BUILD } from './fields/build'
import { FORM_CHOICES, SHAPE } from './fields/shape'
import { SITE, type HORIZON_POINT, type SPELL } from './fields/site'
import { CHAIN_CHOICES, PART_CHOICES, type PartId, type PartName } from './fields/parts'
import { SKIN, type OWN_MATERIAL } from './fields/skin'
import { STORE } from './fields/store'
import { TOP_UP } from './fields/top-up'

/** The schema that this version reads and writes; older ones are migrated forward on load. */
export const SCHEMA_VERSION = 5

/** The steps of the work that decide something of the document, in the order in which they go. */
const STEP_CHOICES = [
  { id: 'aim', name: 'Aim' },
  { id: 'site', name: 'Site' },
  { id: 'shape', name: 'Shape' },
  { id: 'skin', name: 'Skin' },
  { id: 'store', name: 'Store' },
  { id: 'breathe', name: 'Breathe' },
  { id: 'topUp', name: 'Top-up' },
] as const
export type StepId = (typeof STEP_CHOICES)[number]['id']
export const STEPS: readonly StepId[] = STEP_CHOICES.map(s => s.id)

export type Form = (typeof FORM_CHOICES)[number]['id']
export const FORMS: readonly Form[] = FORM_CHOICES.map(f => f.id)

/** A part of the section, and any part of the skin. */
export type ChainPart = (typeof CHAIN_CHOICES)[number]['id']
/** In their order round the section. */
export const CHAIN: readonly ChainPart[] = CHAIN_CHOICES.map(c => c.id)
export const PART_NAMES = Object.fromEntries(PART_CHOICES.map(c => [c.id, c.name])) as Record<PartId, PartName>
/** Round the section, then the ends. */
export const PART_IDS: readonly PartId[] = PART_CHOICES.map(c => c.id)
export type { PartId, PartName } from './fields/parts'
export type { Opening, OpeningKindId } from '../openings/registry'
export type { Source, SourceKindId, SourceOf } from '../sources/registry'

/**
 * The one document: plain JSON, SI units (angles in degrees, temperatures in °C, hours of the clock in local standard
 * time). Results are derived from it and never stored in it.
 */
export const DESIGN = group({
  schemaVersion: count(SCHEMA_VERSION, SCHEMA_VERSION, { label: 'Version of the format' }),
  id: text(80, { label: 'Id', about: 'tells designs apart in a browser' }),
  name: text(120, { label: 'Name' }),
  decided: list(choice(STEP_CHOICES, {}), 0, STEPS.length, {
    label: 'Decided',
    about: 'steps in which a person has chosen something; the others stand at their defaults',
  }),
  aim: AIM,
  site: SITE,
  shape: SHAPE,
  skin: SKIN,
  store: STORE,
  breathe: BREATHE,
  topUp: TOP_UP,
  build: BUILD,
  madeToFit: list(
    group({
      what: text(120, { label: 'What' }),
      wasM2: area(0, 10_000, { label: 'Free area that was entered' }),
      isM2: area(0, 10_000, { label: 'Free area that fits' }),
    }),
    0,
    200,
    { start: [], label: 'Made to fit', about: 'openings of an earlier version that did not fit where they were' },
  ),
})

export type Design = Value<typeof DESIGN>
export type CropChoice = Value<typeof CROP_CHOICE>
export type CropMonth = CropChoice['months'][number]
/** What a crop needs of air, soil and light. */
export type OwnCropNeeds = Value<typeof CROP_NEEDS>
export type Bench = Design['shape']['benches'][number]
export type Corner = Design['shape']['corners'][number]
export type Cover = Design['skin']['cover']
export type HorizonPoint = Value<typeof HORIZON_POINT>
export type Spell = Value<typeof SPELL>
export type OwnMaterial = Value<typeof OWN_MATERIAL>
export type { AirStore, AirStoreKindId } from '../air-stores/registry'
export type { Bed, BedKindId } from '../beds/registry'
export type { Body, BodyKindId } from '../bodies/registry'
export type { Layer } from './fields/skin'
export type { ClimatePlace, HourlyClimate, MeasuredYear, NormalsClimate } from './fields/climate'

/** What is wrong with a document, where, and what is allowed. */
export interface Fault {
  /** As in `site.climate.lowC[3]`; empty for the document as a whole. */
  path: string
  message: string
  allowed: string
}
