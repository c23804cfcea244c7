/** The size of an element in pixels, followed as it changes. */
export function useElementSize(element: Readonly<Ref<HTMLElement | null>>) {
  const width = ref(0)
  const height = ref(0)
  const observer = new ResizeObserver(([entry]) => {
    if (!entry) return
    width.value = entry.contentRect.width
    height.value = entry.contentRect.height
  })
  onMounted(() => {
    if (element.value) observer.observe(element.value)
  })
  onBeforeUnmount(() => observer.disconnect())
  return { width, height }
}
