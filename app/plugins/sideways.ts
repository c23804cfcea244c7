/**
 * `v-sideways` on a box that scrolls sideways where its content is wide: it can then be reached and scrolled by keys.
 */
export default defineNuxtPlugin(nuxt => {
  const observers = new WeakMap<HTMLElement, ResizeObserver>()
  const look = (box: HTMLElement) => {
    const wide = box.scrollWidth > box.clientWidth + 1
    if (wide === (box.tabIndex === 0)) return
    if (wide) {
      box.tabIndex = 0
      box.setAttribute('role', 'group')
      box.setAttribute('aria-label', 'Wide content: scrolls sideways')
    } else for (const name of ['tabindex', 'role', 'aria-label']) box.removeAttribute(name)
  }
  nuxt.vueApp.directive<HTMLElement>('sideways', {
    mounted(box) {
      const observer = new ResizeObserver(() => look(box))
      observer.observe(box)
      if (box.firstElementChild) observer.observe(box.firstElementChild)
      observers.set(box, observer)
      look(box)
    },
    updated: look,
    unmounted: box => observers.get(box)?.disconnect(),
  })
})
