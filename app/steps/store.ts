import { airStoreName } from '../../core/air-stores/registry'
import { bodyName } from '../../core/bodies/registry'
import { PART_NAMES } from '../../core/design'
import type { Step } from './step'

export const store: Step = {
  id: 'store',
  name: 'Store',
  panel: () => import('~/components/steps/StoreStep.vue'),
  summary: ({ design: { store } }) => {
    const { bodies, linings, airStores } = store
    const parts: (string | false)[] = [
      ...bodies.map((b, i) => (b.kind === 'drums' ? `${b.count} barrels` : bodyName(bodies, i).toLowerCase())),
      ...linings.map(l => `lining of the ${PART_NAMES[l.part]}`),
      ...airStores.map((s, i) => s.on && airStoreName(airStores, i).toLowerCase()),
    ]
    return parts.filter(Boolean).join(', ') || 'no store yet'
  },
}
