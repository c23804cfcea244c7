import type { Step } from './step'

export const year: Step = {
  id: 'year',
  name: 'Year',
  panel: () => import('~/components/steps/YearStep.vue'),
  summary: ({ day }) => (day === null ? 'months and days' : 'one day, hour by hour'),
}
