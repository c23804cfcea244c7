import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import type { Design } from '../../core/design'
import { seedsFrom } from '../../core/study/ensemble'
import { useDesign } from './design'
import { useYear } from './year'

/** Winters that are looked at, the design's own among them; the coldest and the mildest are set aside. */
const WINTERS = 10
/** They begin once the design has been at rest for so long, ms. */
const REST_MS = 3000

/**
 * How far the coldest night differs from winter to winter of the same climate. Worked out in the background, one year
 * at a time, while the design is at rest; an hourly climate is one year and has no others.
 */
export const useWinters = defineStore('winters', () => {
  const bench = useDesign()
  const year = useYear()
  /** Coldest nights of eight winters in ten, °C; null until they are known. */
  const spread = shallowRef<{ leastC: number; mostC: number } | null>(null)
  const known = ref(0)
  let timer: ReturnType<typeof setTimeout> | undefined
  let turn = 0

  async function work(design: Design): Promise<void> {
    const mine = ++turn
    const found: number[] = []
    for (const seed of seedsFrom(design.site.seed, WINTERS)) {
      found.push(await year.coldest({ ...design, site: { ...design.site, seed } }))
      if (mine !== turn) return
      known.value = found.length
    }
    found.sort((a, b) => a - b)
    spread.value = { leastC: found[1]!, mostC: found[WINTERS - 2]! }
  }

  /** Begins to look after the design on the bench, as long as what asks is there. */
  function look(restMs = REST_MS): void {
    watch(
      () => year.view,
      () => {
        turn++
        clearTimeout(timer)
        spread.value = null
        known.value = 0
        const design = bench.current
        if (design.site.climate.kind !== 'normals') return
        timer = setTimeout(() => {
          // A year that can't be worked out is told by the score itself.
          if (design === bench.current) void work(design).catch(() => {})
        }, restMs)
      },
      { immediate: true },
    )
  }

  return { spread, known, look }
})
