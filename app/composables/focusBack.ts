/** Gives focus back to what had it before a part was shown, once that is taken away and nothing else has it. */
export function focusBack(): void {
  const before = document.activeElement
  onUnmounted(() => {
    const lost = document.activeElement === null || document.activeElement === document.body
    if (lost && before instanceof HTMLElement && before.isConnected) before.focus()
  })
}
