import { entry, GLAZINGS, NIGHT_COVERS } from '../../core/catalog'
import type { Step } from './step'

/** A catalogue's name up to its first comma. */
const short = (name: string) => name.split(',')[0]!.toLowerCase()

export const skin: Step = {
  id: 'skin',
  name: 'Skin',
  panel: () => import('~/components/steps/SkinStep.vue'),
  summary: ({ design: { skin } }) => {
    const cover = skin.cover.id === 'none' ? 'no cover' : short(entry(NIGHT_COVERS, skin.cover.id).name)
    return `${short(entry(GLAZINGS, skin.glazing).name).replace(' polycarbonate', '')}, ${cover}`
  },
}
