import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { DEMOS, faultWords, STEPS, withSharedBranches, type Design, type StepId } from '../../core/design'
import {
  carriedBodies,
  designFaults,
  documentFaults,
  patchDesign,
  withOpeningsCarried,
  type Patch,
} from '../../core/editing'
import { sentenceIn } from '../../core/units'
import { ongoing, pastOf, pushHistory, redoHistory, startHistory, undoHistory, type Past } from '../keeping/history'
import { useSettings } from './settings'

/**
 * The design on the bench, its past and its future. It is always sound: an edit that would break it is refused with the
 * reason.
 */
export const useDesign = defineStore('design', () => {
  const settings = useSettings()
  const history = shallowRef(startHistory<Design>(DEMOS[0]!))
  const current = computed(() => history.value.present)
  const canUndo = computed(() => history.value.past.length > 0)
  const canRedo = computed(() => history.value.future.length > 0)
  /** Why the last edit was refused, and the place of the document that it is about; empty once one is taken. */
  const refusal = ref('')
  const refusedPath = ref('')
  /** The edit that was refused last, to see what would fit in its place; null once one is taken. */
  const refusedEdit = shallowRef<readonly Patch[] | null>(null)

  /** The designs from which another form was tried, and what came of the last try. */
  let trail: Design[] = []
  let triedLast: Design | null = null

  /** The history that was last kept, or that the design was opened with. */
  let keptHistory = history.value

  /** Puts another design on the bench, with the undo and redo that were kept of it. */
  function open(design: Design, past: Past | null = null): void {
    trail = []
    triedLast = null
    const { past: before, future } = past ?? { past: [], future: [] }
    history.value = { ...startHistory(design), past: before, future }
    keptHistory = history.value
    forgive()
  }
  /** Undo and redo to be kept beside the design; null where nothing is new. */
  function pastToKeep(): Past | null {
    if (history.value === keptHistory) return null
    keptHistory = history.value
    return pastOf(history.value)
  }

  /** Takes a whole new state as one step of undo. Returns the fault when it is refused. */
  function replace(next: Design, kind: string): string | null {
    // A house kept from earlier, in which something stands where it can't, is mended step by step: only what is newly
    // wrong is refused.
    const known = new Set(designFaults(current.value).map(f => f.path + f.message))
    const faults = designFaults(next).filter(f => !known.has(f.path + f.message))
    if (faults.length > 0 || documentFaults(next).length > 0) {
      refusal.value = sentenceIn(faultWords(faults[0]!, next), settings.show)
      refusedPath.value = faults[0]!.path
      return refusal.value
    }
    forgive()
    // What says the same is no step of undo.
    if (withSharedBranches(next, current.value) === current.value) return null
    history.value = pushHistory(history.value, next, kind, performance.now())
    return null
  }

  /** Changes places of the document. Edits of one kind close together are one step of undo. */
  function edit(patches: readonly Patch[], kind = patches.map(p => p[0]).join(' ')): string | null {
    if (withSharedBranches(patchDesign(current.value, patches), current.value) === current.value) {
      forgive()
      return null
    }
    const shaped =
      patches.some(([path]) => /^shape(?!\.(beds|benches))/.test(path)) && !patches.some(([path]) => /^skin/.test(path))
    const steps = patches
      .map(p => p[0].split('.')[0] as StepId)
      .filter(s => STEPS.includes(s) && !current.value.decided.includes(s))
    const next = patchDesign(
      current.value,
      steps.length > 0 ? [...patches, ['decided', [...current.value.decided, ...new Set(steps)]]] : patches,
    )
    // Openings go along with their parts; through one drag it is those from before it that do.
    const refused = replace(
      shaped && documentFaults(next).length === 0 ? withOpeningsCarried(next, openingsBefore(kind)) : next,
      kind,
    )
    if (refused) refusedEdit.value = patches
    return refused
  }

  const openingsBefore = (kind: string) =>
    (ongoing(history.value, kind, performance.now()) ? history.value.past.at(-1)! : current.value).skin.openings

  /** Designs of earlier forms, latest last, and whether nothing but the form has been changed since. */
  const formTrail = (): { trail: readonly Design[]; untouched: boolean } => ({
    trail,
    untouched: current.value === triedLast,
  })

  /** Takes the design in another form, as it was made of this one; coming back to one brings back what it had. */
  function takeForm(next: Design | null): void {
    const before = current.value
    if (!next || next === before) return
    if (before !== triedLast) trail = trail.filter(d => d.shape.form !== before.shape.form)
    edit(
      [
        ['shape', next.shape],
        ['store', next.store],
        ['skin.openings', next.skin.openings],
      ],
      `form ${next.shape.form}`,
    )
    if (current.value === before) return
    trail.push(before)
    triedLast = current.value
  }

  /** Forgets what was refused. */
  const forgive = (): void => {
    refusal.value = ''
    refusedPath.value = ''
    refusedEdit.value = null
  }

  /** Another shape; what stands at the back wall goes along with it. */
  function setShape(shape: Design['shape'], kind: string): string | null {
    const bodies = carriedBodies(current.value, shape)
    const moved: Patch[] = bodies === current.value.store.bodies ? [] : [['store.bodies', bodies]]
    return edit([['shape', shape], ...moved], kind)
  }
  function undo(): void {
    history.value = undoHistory(history.value)
    forgive()
  }
  function redo(): void {
    history.value = redoHistory(history.value)
    forgive()
  }

  return {
    history,
    current,
    canUndo,
    canRedo,
    refusal,
    refusedPath,
    refusedEdit,
    forgive,
    open,
    pastToKeep,
    replace,
    edit,
    setShape,
    formTrail,
    takeForm,
    undo,
    redo,
  }
})
