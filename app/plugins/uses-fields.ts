import type { DirectiveBinding } from 'vue'

type Say = ((words: string) => void) | undefined

/** What holds the fields that a button uses. */
const SCOPE = 'form, [role="dialog"], [data-fields], section, [role="tabpanel"], [role="region"]'

/** A field that holds what was typed and could not be taken, nearest to the button. */
function unsettled(button: Element): HTMLElement | null {
  for (let scope = button.closest(SCOPE); scope; scope = scope.parentElement?.closest(SCOPE) ?? null) {
    const found = [...scope.querySelectorAll<HTMLElement>('[aria-invalid="true"]')].find(f => f.offsetParent !== null)
    if (found) return found
    if (scope.matches('form, [role="dialog"], [data-fields], [role="region"]')) return null
  }
  return null
}

function nameOf(field: HTMLElement): string {
  const its = field.closest<HTMLElement>('[data-label]')?.dataset.label ?? field.getAttribute('aria-label')
  return its ?? (field as HTMLInputElement).labels?.[0]?.textContent?.trim() ?? 'A field'
}

/**
 * `v-uses-fields` on a button that works with what fields hold: while one of them holds what could not be taken, the
 * button does nothing, says which one it is, and goes to it. Its value, a function, says it in the button's own place.
 */
export default defineNuxtPlugin(nuxt => {
  const says = new WeakMap<HTMLElement, Say>()
  nuxt.vueApp.directive<HTMLElement, Say>('uses-fields', {
    created(button, { value }: DirectiveBinding<Say>) {
      says.set(button, value)
      button.addEventListener(
        'click',
        event => {
          const field = unsettled(button)
          if (!field) return
          event.preventDefault()
          event.stopImmediatePropagation()
          const what = `“${nameOf(field)}” holds what cannot be used: nothing was done.`
          const words = `${what} Mend it, or press Escape in it.`
          const say = says.get(button)
          if (say) say(words)
          else useNotices().tell('warning', words)
          field.scrollIntoView({ block: 'center' })
          field.focus({ preventScroll: true })
        },
        { capture: true },
      )
    },
    updated: (button, { value }) => void says.set(button, value),
  })
})
