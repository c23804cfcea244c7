import { defineStore } from 'pinia'
import { ref, watch } from 'vue'
import {
  formatCompound,
  formatQuantity,
  nameIn,
  type FormatOptions,
  type Quantity,
  type UnitSystem,
} from '../../core/units'

const KEY = 'tierra-settings'
type Theme = 'day' | 'night'

interface Kept {
  units: UnitSystem
  theme: Theme
}

function load(): Kept {
  const dark = window.matchMedia?.('(prefers-color-scheme: dark)').matches
  const start: Kept = { units: 'metric', theme: dark ? 'night' : 'day' }
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Kept>
    return {
      units: kept.units === 'us' || kept.units === 'mixed' || kept.units === 'metric' ? kept.units : start.units,
      theme: kept.theme === 'day' || kept.theme === 'night' ? kept.theme : start.theme,
    }
  } catch {
    return start
  }
}

/** How this browser likes to see things: units and theme. */
export const useSettings = defineStore('settings', () => {
  const kept = load()
  const units = ref<UnitSystem>(kept.units)
  const theme = ref<Theme>(kept.theme)

  watch(
    [units, theme],
    () => {
      document.documentElement.dataset.theme = theme.value
      try {
        localStorage.setItem(KEY, JSON.stringify({ units: units.value, theme: theme.value }))
      } catch {
        /* a blocked store is told by the design's own keeping */
      }
    },
    { immediate: true },
  )

  /** A value in the chosen units. */
  const show = (value: number, quantity: Quantity, options?: FormatOptions) =>
    formatQuantity(value, quantity, units.value, options)

  /** A value in a unit that no field has, as sums and fuels do. */
  const compound = (value: number, unit: string, digits?: number) => formatCompound(value, unit, units.value, digits)

  /** The name of a thing, with what is measured in it in the chosen units. */
  const named = (name: string) => nameIn(name, show)

  return { units, theme, show, compound, named }
})
