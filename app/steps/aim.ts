import { needsOf } from '../../core/aim/aim-line'
import type { Step } from './step'

export const aim: Step = {
  id: 'aim',
  name: 'Aim',
  panel: () => import('~/components/steps/AimStep.vue'),
  roomy: true,
  summary: ({ design: { aim }, show }) =>
    aim.crops.length > 0
      ? aim.crops.map(c => needsOf(c).name.toLowerCase()).join(', ')
      : `${show(aim.lowestAirC, 'temperature')} to ${show(aim.highestAirC, 'temperature')}`,
}
