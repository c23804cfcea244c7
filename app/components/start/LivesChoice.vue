<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
import { LIVES } from '../../../core/start/choices'
import { cropsOf } from '../../../core/start/house'

/** What is to live in the house, each with its year as it falls in this hemisphere. */
const props = defineProps<{ value: readonly string[]; latitudeDeg: number }>()
const emit = defineEmits<{ choose: [string[]] }>()
const rows = computed(() =>
  LIVES.map(life => {
    const crops = cropsOf([life.id], props.latitudeDeg)
    const does = MONTH_NAMES.map((_, m) => {
      const all = crops.map(c => c.months[m])
      return all.includes('grow') ? 'grow' : all.includes('hold') ? 'hold' : ''
    })
    return { ...life, does }
  }),
)
const toggle = (id: string) =>
  emit('choose', props.value.includes(id) ? props.value.filter(v => v !== id) : [...props.value, id])
</script>

<template>
  <div>
    <ul class="grid gap-x-4 gap-y-1 sm:grid-cols-2">
      <li v-for="row in rows" :key="row.id">
        <label class="flex cursor-pointer items-start gap-2">
          <input
            type="checkbox"
            class="mt-1.5 size-4 shrink-0 accent-(--clay)"
            :checked="value.includes(row.id)"
            :data-test="`life-${row.id}`"
            @change="toggle(row.id)"
          />
          <span class="min-w-0 flex-1">
            <span class="block leading-tight"
              ><strong>{{ row.name }}</strong> <span class="hint">{{ row.when }}</span></span
            >
            <svg
              viewBox="0 0 144 14"
              preserveAspectRatio="xMinYMid"
              class="block h-3.5 w-full max-w-56"
              aria-hidden="true"
            >
              <g v-for="(does, m) in row.does" :key="m">
                <rect
                  :x="m * 12 + 0.5"
                  y="1"
                  width="11"
                  height="12"
                  :fill="does === 'grow' ? 'var(--leaf)' : 'none'"
                  :stroke="does === '' ? 'var(--line)' : 'var(--leaf)'"
                />
                <path
                  v-if="does === 'hold'"
                  :d="`M${m * 12 + 1} 10 L${m * 12 + 8} 2 M${m * 12 + 4} 13 L${m * 12 + 11} 5`"
                  stroke="var(--leaf)"
                />
              </g>
            </svg>
          </span>
        </label>
      </li>
    </ul>
    <p class="hint mt-1">
      From January to December: filled, it grows; hatched, it stands and waits. Choose none to keep the house from frost
      alone. Each crop and month can be changed later, under Aim.
    </p>
  </div>
</template>
