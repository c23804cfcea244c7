/** Where in a box a pointer is, as shares of its sides: by default the box of what is listened to. */
export function pointedAt(event: MouseEvent, of = event.currentTarget as Element): { across: number; down: number } {
  const box = of.getBoundingClientRect()
  return { across: (event.clientX - box.left) / box.width, down: (event.clientY - box.top) / box.height }
}
