import type { Component } from 'vue'
import type { Design, StepId } from '../../core/design'
import type { FormatOptions, Quantity } from '../../core/units'

/** What a summary may ask for. */
export interface Telling {
  design: Design
  /** A value in the reader's units. */
  show: (value: number, quantity: Quantity, options?: FormatOptions) => string
  /** The day that is looked at; null for the whole year. */
  day: number | null
}

/** A step of the work: one module here, and a line in the registry. */
export interface Step {
  id: StepId | 'year' | 'weighUp' | 'build' | 'season'
  name: string
  /** Its controls, loaded when they are first seen. */
  panel: () => Promise<{ default: Component }>
  /** Its controls get more of the height. */
  roomy?: boolean
  /** Its panel takes the whole middle; the drawing stands beside it as a thumbnail until it is wanted. */
  whole?: (day: number | null) => boolean
  /** The view of the drawing that it opens with. */
  view?: 'plan'
  /** Where it stands, in a few words. */
  summary: (telling: Telling) => string
}
