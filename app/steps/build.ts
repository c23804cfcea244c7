import type { Step } from './step'

export const build: Step = {
  id: 'build',
  name: 'Build',
  panel: () => import('~/components/steps/BuildStep.vue'),
  whole: () => true,
  summary: () => 'lists, cuts, drawings',
}
