import type { Design } from '../../core/design'
import type { Patch } from '../../core/editing'
import { dragKind } from '../keeping/history'

/** A hand that moves no further is pressing, px. */
const STILL_PX = 3
/** Which way the keys push. */
const KEYS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/**
 * Taking hold of a thing with the pointer or the keys. A drag is one step of undo, and its changes are made from the
 * design as it stood when the drag began.
 * @param move changes for a way gone, in pixels right and up from where the drag began
 * @param push changes for one press of an arrow key: steps right and up, each −1, 0 or 1
 */
export function useThingDrag<T extends { id: string; kind: string; index: number }>(
  move: (design: Design, thing: T, right: number, up: number) => Patch[],
  push: (design: Design, thing: T, right: number, up: number, far: boolean) => Patch[],
) {
  const bench = useDesign()
  const drawing = useDrawing()
  let held: { id: string; thing: T; design: Design; x: number; y: number; kind: string; drawn: boolean } | null = null
  const apply = (patches: Patch[], kind: string) => {
    if (patches.length > 0) bench.edit(patches, kind)
  }
  function down(thing: T, event: PointerEvent): void {
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    held = {
      id: thing.id,
      thing,
      design: bench.current,
      x: event.clientX,
      y: event.clientY,
      kind: dragKind(thing.id, event.timeStamp),
      drawn: false,
    }
  }
  function moved(thing: T, event: PointerEvent): void {
    if (!held || held.id !== thing.id) return
    held.drawn ||= Math.hypot(event.clientX - held.x, event.clientY - held.y) > STILL_PX
    if (held.drawn) apply(move(held.design, held.thing, event.clientX - held.x, held.y - event.clientY), held.kind)
  }
  /** Pressed and not drawn: its card. */
  function up(): void {
    if (held && !held.drawn) drawing.press(held.thing)
    held = null
  }
  function key(thing: T, event: KeyboardEvent): void {
    if (event.key === 'Enter') drawing.press(thing)
    const way = KEYS[event.key]
    if (!way) return
    event.preventDefault()
    apply(push(bench.current, thing, way[0], way[1], event.shiftKey), `key ${thing.id}`)
  }
  return { down, moved, up, key }
}
