import { startingDesign, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { freshId } from '../keeping/journal'

/** Designs that begin here. */
export function useNewDesign() {
  const keeping = useKeeping()
  const settings = useSettings()
  /** Puts a new design on the bench. Where feet and Fahrenheit are used, its money is dollars. */
  async function begin(design: Design): Promise<void> {
    await keeping.add(settings.units === 'us' ? patchDesign(design, [['topUp.currency', 'USD']]) : design)
    void askToPersist()
  }
  /** A plain house at a middling place, to be changed by hand. */
  const plain = () => begin(startingDesign(freshId(), 'New greenhouse'))
  return { begin, plain }
}
