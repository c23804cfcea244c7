import { bodyName } from '../../core/geometry/objects'
import type { Step } from './step'

export const store: Step = {
  id: 'store',
  name: 'Store',
  panel: () => import('~/components/steps/StoreStep.vue'),
  summary: ({ design: { store } }) => {
    const { bodies, massWall, earth, rockBed, channels } = store
    const parts: (string | false)[] = [
      ...bodies.map((b, i) => (b.kind === 'drums' ? `${b.count} barrels` : bodyName(bodies, i).toLowerCase())),
      massWall.thicknessM > 0 && 'mass wall',
      earth.on && 'earth store',
      rockBed.on && 'rock bed',
      channels.on && 'bed channels',
    ]
    return parts.filter(Boolean).join(', ') || 'no store yet'
  },
}
