<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { fieldAt, type Design } from '../../../core/design'
import type { OtherReading } from '../../../core/units'
import { withoutThing, type ListPath } from '../../../core/study/brief'

/**
 * Things of several kinds, as bodies and openings are: a line each, one of them open with its fields; add, duplicate,
 * take out.
 */
const props = defineProps<{
  title: string
  hint: string
  /** Said while there are none. */
  empty: string
  /** In test names and for what is read out: “body”. */
  one: string
  items: readonly { i: number; name: string; line: string; figures: string | null }[]
  kinds: readonly { kind: string; name: string; plural?: boolean }[]
  /** Paths of the open one's fields. */
  fields: readonly string[]
  /** Choices of a field, where the panel knows better than the table. */
  options?: (path: string) => readonly { id: string; name: string }[] | undefined
  set: (path: string, value: unknown) => string | null
  /** Another quantity in which a field may be typed. */
  other?: (path: string) => OtherReading | undefined
}>()
const open = defineModel<number>({ required: true })
const emit = defineEmits<{ add: [kind: string]; duplicate: [i: number]; takeOut: [i: number] }>()
const bench = useDesign()
const withoutIt = (design: Design) =>
  withoutThing(design, props.fields[0]!.split('.').slice(0, 2).join('.') as ListPath, open.value)
/** A choice that is left to the house stands empty. */
const take = (path: string, v: unknown) => props.set(path, v === '' ? null : v)
</script>

<template>
  <div>
    <h2 class="group-title">
      {{ title }} <span class="hint font-sans font-normal">{{ hint }}</span>
    </h2>
    <div class="mb-1.5 flex flex-wrap gap-1.5">
      <button
        v-for="k in kinds"
        :key="k.kind"
        class="button"
        :data-test="`add-${k.kind.replaceAll(' ', '-')}`"
        @click="emit('add', k.kind)"
        :aria-label="`Add ${k.plural ? '' : 'a '}${k.name.toLowerCase()}`"
      >
        + {{ k.name }}
      </button>
    </div>
    <p v-if="items.length === 0" class="hint">{{ empty }}</p>
    <ul class="grid gap-1" :data-test="`${one}-list`">
      <li
        v-for="b in items"
        :key="b.i"
        class="flex flex-wrap items-baseline gap-x-2 border-l-4 pl-2"
        :class="b.i === open ? 'border-clay' : 'border-line'"
      >
        <button class="link" :aria-pressed="b.i === open" :data-test="`${one}-${b.i}`" @click="open = b.i">
          <strong>{{ b.name }}</strong>
        </button>
        <span class="min-w-0 flex-1">{{ b.line }}</span>
        <button
          class="button quiet"
          :aria-label="`Another ${b.name.toLowerCase()}`"
          :data-test="`another-${one}-${b.i}`"
          @click="emit('duplicate', b.i)"
        >
          +
        </button>
        <button
          class="button quiet"
          :aria-label="`Take out ${b.name.toLowerCase()}`"
          :data-test="`take-out-${one}-${b.i}`"
          @click="emit('takeOut', b.i)"
        >
          ×
        </button>
        <span v-if="b.figures" class="hint basis-full" :data-test="`${one}-figures-${b.i}`">{{ b.figures }}</span>
      </li>
    </ul>
    <fieldset v-if="fields.length > 0" class="mt-2" :data-test="`${one}-fields`">
      <legend class="slab">{{ items.find(b => b.i === open)?.name }}</legend>
      <div class="grid grid-cols-2 items-end gap-x-6 gap-y-1 md:grid-cols-3">
        <DesignField
          v-for="path in fields"
          :key="path"
          :path="path"
          :label="capital(fieldAt(path, bench.current)!.label)"
          :options="options?.(path)"
          :set="(v: unknown) => take(path, v)"
          :other="other?.(path)"
        />
      </div>
      <WithWithout
        :ask="`The year without ${(items.find(b => b.i === open)?.name ?? '').toLowerCase()}`"
        :other="withoutIt"
      />
      <slot />
    </fieldset>
  </div>
</template>
