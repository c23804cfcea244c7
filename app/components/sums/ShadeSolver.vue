<script setup lang="ts">
import { liningM } from '../../../core/geometry/parts'
import { bodyName } from '../../../core/bodies/registry'
import { roomObjects } from '../../../core/geometry/objects'
import { makeOutline, sunnyAzimuthDeg } from '../../../core/geometry/section'
import { shadeStrip, type MassBox } from '../../../core/sums'
import { profileAngleDeg } from '../../../core/sun'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const m = (v: number) => settings.show(v, 'length')

/** The mass that the strip is for: the first body that stands above the floor, else the back wall's own masonry. */
const mass = computed((): { name: string; box: MassBox } | null => {
  const design = bench.current
  const thing = roomObjects(design).find(o => o.kind === 'body' && o.z1 - o.z0 > 0.1)
  if (thing) return { name: bodyName(design.store.bodies, thing.index).toLowerCase(), box: thing }
  const outline = makeOutline(design.shape)
  return liningM(design.store, 'backWall') > 0 && outline.backWallM > 0.2
    ? {
        name: 'lining of the back wall',
        box: { x0: outline.widthM - 0.02, x1: outline.widthM, z0: 0, z1: outline.backWallM },
      }
    : null
})
const sum = computed(() => {
  const design = bench.current
  if (!mass.value || !year.view || ['dome', 'arch', 'gambrel'].includes(design.shape.form)) return null
  const outline = makeOutline(design.shape)
  const sunny = sunnyAzimuthDeg(design.site.latitudeDeg, design.shape.turnDeg)
  const [hot, cold] = [year.view.hot, year.view.cold].map(d =>
    d.noonAltitudeDeg > 1 ? profileAngleDeg(d.noonAltitudeDeg, d.noonAzimuthDeg, sunny) : 0,
  )
  if (!(hot! > 1 && hot! < 89 && cold! > 1 && cold! < 89)) return null
  return shadeStrip(
    { foot: { x: 0, z: outline.kneeWallM }, top: { x: outline.ridgeAtM, z: outline.ridgeHeightM } },
    mass.value.box,
    hot!,
    cold!,
  )
})
const words = computed(() => {
  const r = sum.value?.result
  if (!r || !mass.value) return ''
  const name = `the ${mass.value.name}`
  if (r.kind === 'none needed') return `No strip is needed: on the hot day no noon sun reaches ${name}.`
  if (r.kind === 'no winter sun') return `On the cold day no noon sun reaches ${name}: a strip cannot help that.`
  if (r.kind === 'strip')
    return (
      `A strip of ${m(r.leastM)} to ${m(r.mostM)} keeps ${name} in shade on the hot day and in sun on the ` +
      `cold one.`
    )
  return (
    `No strip does both for ${name}: the two stretches of glass overlap by ${m(r.overlapM)}. ` +
    (r.raiseM === null ? `Raising it by up to ${m(1.5)} does not help.` : `Raised by ${m(r.raiseM)} it would.`)
  )
})
const middle = computed(() => {
  const r = sum.value?.result
  return r?.kind === 'strip' ? Math.round(((r.leastM + Math.min(r.mostM, r.leastM + 0.3)) / 2) * 100) / 100 : null
})
</script>

<template>
  <div v-if="sum" data-test="shade-solver">
    <p>
      {{ words }}
      <button
        v-if="middle !== null && Math.abs(bench.current.shape.shadeStripM - middle) > 0.005"
        class="button ml-1"
        data-test="take-strip"
        @click="bench.edit([['shape.shadeStripM', middle]])"
      >
        Put in {{ m(middle) }}
      </button>
    </p>
    <SumLines :sum="sum" />
  </div>
</template>
