<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { entry, MATERIALS } from '../../../core/catalog'
import { startOf } from '../../../core/design/field'
import { LINING } from '../../../core/design/fields/store'
import type { PartId } from '../../../core/design'
import { madeOf, partName, partsOf } from '../../../core/geometry/parts'
import { makeOutline } from '../../../core/geometry/section'

/** Mass on the inner faces of solid parts: add, change, take out. */
const bench = useDesign()
const settings = useSettings()
const linings = computed(() => bench.current.store.linings)
const nameOf = (part: PartId) => partName(part, bench.current.shape.form)
const masonry = MATERIALS.filter(m => m.group === 'masonry')
const there = computed(() => partsOf(bench.current, makeOutline(bench.current.shape)))
const solid = computed(() => there.value.filter(part => madeOf(bench.current.skin, part).kind === 'solid'))
/** Why one does nothing, or nothing to say. */
function idle(part: PartId): string {
  if (!there.value.includes(part)) return 'This form has no such part: it does nothing.'
  return solid.value.includes(part) ? '' : 'That part is glazed: it does nothing.'
}
const listed = computed(() =>
  linings.value.map((l, i) => ({
    i,
    name: capital(nameOf(l.part)),
    line: `${entry(MATERIALS, l.material).name}, ${settings.show(l.thicknessM, 'thickness')}`,
    idle: idle(l.part),
  })),
)
const parts = computed(() => (solid.value.length ? solid.value : there.value).map(id => ({ id, name: nameOf(id) })))
const free = computed(() => parts.value.find(p => !linings.value.some(l => l.part === p.id)) ?? parts.value[0])
const change = (list: readonly unknown[], kind: string) => bench.edit([['store.linings', list]], kind)
const add = () => change([...linings.value, { ...(startOf(LINING) as object), part: free.value!.id }], 'add lining')
const takeOut = (i: number) =>
  change(
    linings.value.filter((_, k) => k !== i),
    'take lining out',
  )
</script>

<template>
  <div>
    <h2 class="group-title">
      Linings <span class="hint font-sans font-normal">mass on the inner face of a solid part</span>
    </h2>
    <button v-if="free && linings.length < 8" class="button mb-1.5" data-test="add-lining" @click="add">
      + Lining
    </button>
    <p v-if="listed.length === 0" class="hint">None: the walls’ own layers stand bare.</p>
    <ul class="grid gap-2" data-test="lining-list">
      <li v-for="l in listed" :key="l.i" class="border-l-4 border-line pl-2">
        <div class="flex items-baseline gap-2">
          <span class="flex-1">
            <strong>{{ l.name }}</strong> {{ l.line }}
          </span>
          <button
            class="button quiet"
            :aria-label="`Take out the lining of the ${l.name.toLowerCase()}`"
            :data-test="`take-out-lining-${l.i}`"
            @click="takeOut(l.i)"
          >
            ×
          </button>
        </div>
        <p v-if="l.idle" class="hint">{{ l.idle }}</p>
        <div class="grid grid-cols-2 items-end gap-x-6 gap-y-1 md:grid-cols-3">
          <DesignField
            :path="`store.linings.${l.i}.part`"
            :options="
              parts.some(p => p.id === linings[l.i]!.part)
                ? parts
                : [...parts, { id: linings[l.i]!.part, name: nameOf(linings[l.i]!.part) }]
            "
          />
          <DesignField :path="`store.linings.${l.i}.material`" :options="masonry" />
          <DesignField :path="`store.linings.${l.i}.thicknessM`" />
        </div>
      </li>
    </ul>
  </div>
</template>
