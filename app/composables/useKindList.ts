import { computed, ref, watch } from 'vue'
import { valueAt } from '../../core/design'
import type { Offer } from '../../core/editing/offers'
import { useDesign } from '../stores/design'
import { useDrawing } from '../stores/drawing'
import { useNotices } from '../stores/notices'

/**
 * A list of the document whose things are each of a kind, as a panel works on it: which one's card is open, and what is
 * done to the list. Pressing a thing on a drawing opens its card.
 * @param path of the list, as in `store.bodies`
 * @param thing as drawings call one
 */
export function useKindList(path: string, thing: string) {
  const bench = useDesign()
  const drawing = useDrawing()
  const list = computed(() => valueAt(bench.current, path) as readonly { kind: string }[])
  const pressed = ref(drawing.pressed?.kind === thing ? drawing.pressed.index : 0)
  watch(
    () => drawing.pressed,
    now => {
      if (now?.kind === thing) pressed.value = now.index
    },
  )
  const open = computed({
    get: () => Math.min(pressed.value, list.value.length - 1),
    set: i => {
      pressed.value = i
    },
  })

  /** Makes edits that change the whole list; what is refused is told, since no field stands for it. */
  function edit(edits: [string, unknown][], kind: string): boolean {
    const refused = bench.edit(edits, kind)
    if (refused) useNotices().tell('error', 'That can’t be put there.', { lines: [refused] })
    return !refused
  }
  /** Puts another one at the end and opens its card; null is told with why, what to do, and what may be had instead. */
  function put(
    made: { kind: string } | null,
    kind: string,
    why: string,
    what: string,
    instead: () => Offer | null = () => null,
  ): void {
    const offer = made ? null : instead()
    if (offer) {
      const take = () => {
        bench.replace(offer.design, kind)
        open.value = list.value.length - 1
      }
      useNotices().tell('error', why, { lines: [what], action: { label: offer.words, run: take } })
    } else if (!made) useNotices().tell('error', why, { lines: [what] })
    else if (edit([[path, [...list.value, made]]], kind)) open.value = list.value.length - 1
  }
  function takeOut(i: number): void {
    edit([[path, list.value.filter((_, k) => k !== i)]], `take ${thing} out`)
  }
  /** Paths of the open one's fields, by their names. */
  const pathsOf = (names: readonly string[]) => names.map(name => `${path}.${open.value}.${name}`)
  const set = (at: string, value: unknown) => bench.edit([[at, value]], at)
  return { list, open, edit, put, takeOut, pathsOf, set }
}
