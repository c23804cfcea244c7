import type { Step } from './step'

export const topUp: Step = {
  id: 'topUp',
  name: 'Top-up',
  panel: () => import('~/components/steps/TopUpStep.vue'),
  summary: ({ design: { topUp }, show }) =>
    topUp.heater.on ? `heater at ${show(topUp.heater.setPointC, 'temperature')}` : 'no heater',
}
