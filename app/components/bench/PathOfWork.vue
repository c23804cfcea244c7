<script setup lang="ts">
import { bodyName } from '../../../core/geometry/objects'
import { needsOf } from '../../../core/aim/aim-line'
import { entry, GLAZINGS, LEAKAGE_CLASSES, NIGHT_COVERS } from '../../../core/catalog'
import { type StepId } from '../../../core/design'
import { designCautions } from '../../../core/advice/cautions'

const props = defineProps<{ step: string }>()
const emit = defineEmits<{ go: [string] }>()
const bench = useDesign()
const year = useYear()
const settings = useSettings()

interface Step {
  id: StepId | 'year'
  name: string
  sub: string
}

const steps = computed((): Step[] => {
  const d = bench.current
  const length = (m: number) => settings.show(m, 'length')
  const climate = d.site.climate.kind === 'hourly' ? 'hourly file' : 'monthly means'
  const { bodies, massWall, earth, rockBed, channels } = d.store
  const stores: (string | false)[] = [
    ...bodies.map((b, i) => (b.kind === 'drums' ? `${b.count} barrels` : bodyName(bodies, i).toLowerCase())),
    massWall.thicknessM > 0 && 'mass wall',
    earth.on && 'earth store',
    rockBed.on && 'rock bed',
    channels.on && 'bed channels',
  ].filter(s => s !== false)
  return [
    {
      id: 'aim',
      name: 'Aim',
      sub:
        d.aim.crops.length > 0
          ? d.aim.crops.map(c => needsOf(c).name.toLowerCase()).join(', ')
          : `${settings.show(d.aim.lowestAirC, 'temperature')} to ${settings.show(d.aim.highestAirC, 'temperature')}`,
    },
    {
      id: 'site',
      name: 'Site',
      sub: `${Math.abs(d.site.latitudeDeg).toFixed(1)}° ${d.site.latitudeDeg >= 0 ? 'N' : 'S'}, ${climate}`,
    },
    { id: 'shape', name: 'Shape', sub: `${d.shape.form} ${length(d.shape.lengthM)} × ${length(d.shape.widthM)}` },
    {
      id: 'skin',
      name: 'Skin',
      sub:
        `${entry(GLAZINGS, d.skin.glazing).name.split(',')[0]!.replace(' polycarbonate', '').toLowerCase()}, ` +
        (d.skin.cover.id === 'none'
          ? 'no cover'
          : entry(NIGHT_COVERS, d.skin.cover.id).name.split(',')[0]!.toLowerCase()),
    },
    { id: 'store', name: 'Store', sub: stores.length > 0 ? stores.join(', ') : 'no store yet' },
    { id: 'breathe', name: 'Breathe', sub: entry(LEAKAGE_CLASSES, d.breathe.leakage).name.toLowerCase() },
    {
      id: 'topUp',
      name: 'Top-up',
      sub: d.topUp.heater.on ? `heater at ${settings.show(d.topUp.heater.setPointC, 'temperature')}` : 'no heater',
    },
    { id: 'year', name: 'Year', sub: year.day === null ? 'months and days' : 'one day, hour by hour' },
  ]
})

/** On a phone the path runs sideways: the step in hand is brought into view. */
const path = ref<HTMLElement | null>(null)
watch(
  () => props.step,
  () =>
    void nextTick(() =>
      path.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' }),
    ),
  { flush: 'post' },
)
onMounted(() => path.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' }))

const cautions = computed(() => new Set(designCautions(bench.current, year.view?.answers ?? null).map(c => c.step)))

/** State of a step: its mark and the words for it. */
function state(id: Step['id']): { mark: string; words: string; tone: string; size: string } {
  if (id === 'year') return { mark: '', words: '', tone: '', size: '' }
  if (cautions.value.has(id)) return { mark: '!', words: 'has a caution', tone: 'text-clay', size: 'font-bold' }
  if (bench.current.decided.includes(id))
    return { mark: '●', words: 'decided', tone: 'text-moss', size: 'text-[0.6rem]' }
  return { mark: '○', words: 'at its default', tone: 'text-soft', size: 'text-[0.6rem]' }
}
</script>

<template>
  <nav ref="path" aria-label="Path of work" class="path">
    <p v-if="year.view" class="phone-score" aria-hidden="true">
      Coldest night
      <strong class="slab">{{ settings.show(year.view.answers.coldestNight.insideC, 'temperature') }}</strong>
    </p>
    <ol>
      <li v-for="s in steps" :key="s.id">
        <button
          :aria-current="props.step === s.id ? 'step' : undefined"
          class="step"
          :class="props.step === s.id ? 'chosen' : ''"
          :data-test="`step-${s.id}`"
          @click="emit('go', s.id)"
        >
          <span class="flex items-baseline justify-between">
            <span class="slab text-[1.12rem]">{{ s.name }}</span>
            <span
              v-if="state(s.id).mark"
              :class="[props.step === s.id ? '' : state(s.id).tone, state(s.id).size]"
              aria-hidden="true"
              :title="state(s.id).words"
              >{{ state(s.id).mark }}</span
            >
          </span>
          <span class="sub"
            >{{ s.sub }}<span class="sr-only">{{ state(s.id).words ? `, ${state(s.id).words}` : '' }}</span></span
          >
        </button>
      </li>
    </ol>
    <p class="marks hint">
      <span class="text-moss">●</span> decided, <span class="text-soft">○</span> at its default,
      <span class="font-bold text-clay">!</span> has a caution
    </p>
  </nav>
</template>

<style scoped>
.step {
  display: block;
  width: 100%;
  text-align: left;
  padding: 0.45rem 0.9rem 0.5rem 1.1rem;
  cursor: pointer;
  border-left: 4px solid transparent;
}
.step:hover {
  border-left-color: var(--clay);
}
.chosen {
  background: var(--choice);
  color: var(--choice-ink);
}
.sub {
  display: block;
  font-size: 0.85rem;
  color: var(--soft);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.chosen .sub {
  color: inherit;
  opacity: 0.85;
}
.phone-score {
  display: none;
}
.marks {
  padding: 0.5rem 0.4rem 0 1.1rem;
  font-size: 0.78rem;
  line-height: 1.5;
}
@media (max-width: 900px) {
  .phone-score {
    display: block;
    padding: 0.15rem 0.8rem;
    background: var(--paper);
    border-bottom: 1px solid var(--line);
  }
  .phone-score strong {
    font-size: 1.35rem;
  }
  ol {
    display: flex;
    overflow-x: auto;
  }
  .sub,
  .marks {
    display: none;
  }
  .step {
    padding: 0.35rem 0.8rem;
    border-left: 0;
    white-space: nowrap;
  }
  .step > span:first-child {
    gap: 0.35rem;
  }
}
</style>
