import type { Step } from './step'

export const year: Step = {
  id: 'year',
  name: 'Year',
  panel: () => import('~/components/steps/YearStep.vue'),
  // A day is seen on the drawing.
  whole: day => day === null,
  summary: ({ day }) => (day === null ? 'why the worst night was' : 'one day, hour by hour'),
}
