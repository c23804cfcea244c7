<script setup lang="ts">
import { findPlaces, type PackedPlace } from '../../../formats/places'
import { formatCoordinates, readCoordinates, type Coordinates, type Place } from '../../../formats/coordinates'

const props = defineProps<{ here: Coordinates | null }>()
const emit = defineEmits<{ place: [coordinates: Coordinates, name: string | null] }>()

/** Where the map is opened before any place is known. */
const NOWHERE: Coordinates = { latitudeDeg: 45, longitudeDeg: 10 }
const typed = ref('')
const fault = ref('')
const found = shallowRef<Place[]>([])
const map = ref(false)
const id = useId()

/** Asks the service; without one, looks into the list itself, which is kept with the page. */
async function lookUp(text: string): Promise<Place[]> {
  try {
    return (await $fetch<{ places: Place[] }>('/api/places', { query: { q: text } })).places
  } catch {
    return findPlaces(await $fetch<PackedPlace[]>('/places.json'), text, 8)
  }
}
/** One field for both: what reads as coordinates is taken as such, the rest is looked up. */
async function search(): Promise<void> {
  const text = typed.value.trim()
  fault.value = ''
  found.value = []
  if (text === '') return
  const read = readCoordinates(text)
  if (read.ok) {
    emit('place', read.coordinates, null)
    typed.value = ''
    return
  }
  if (/\d/.test(text)) {
    fault.value = read.message
    return
  }
  if (text.length < 2 || text.length > 60) {
    fault.value = 'A name of 2 to 60 letters is needed.'
    return
  }
  try {
    found.value = await lookUp(text)
    if (found.value.length === 0)
      fault.value = `The list that ships with Tierra has no “${text}”. Type coordinates, or point on the map.`
  } catch {
    fault.value = 'The list of places cannot be reached just now. Type coordinates, or point on the map.'
  }
}
function take(p: Place): void {
  emit('place', p, `${p.name}, ${p.country}`)
  found.value = []
  typed.value = ''
}
function pointed(c: Coordinates): void {
  map.value = false
  emit('place', c, null)
}
</script>

<template>
  <div>
    <label :for="id">Find a place, or type its coordinates</label>
    <div class="flex gap-1">
      <input
        :id="id"
        v-model="typed"
        class="input min-w-0"
        placeholder="a town, or 47°24′N 14°54′E"
        spellcheck="false"
        :aria-invalid="fault !== ''"
        data-test="place-search"
        @keydown.enter="search"
      />
      <button class="button" data-test="place-go" @click="search">Find</button>
      <button class="button" data-test="open-map" @click="map = true">Map</button>
    </div>
    <p v-if="fault" class="fault" role="alert" data-test="place-fault">
      {{ fault }}
    </p>
    <ul v-if="found.length > 0" class="mt-1 max-h-36 overflow-y-auto border border-line bg-paper" data-test="places">
      <li v-for="(p, i) in found" :key="i">
        <button
          class="block w-full px-2 py-0.5 text-left hover:bg-(--choice) hover:text-(--choice-ink) focus-visible:bg-(--choice) focus-visible:text-(--choice-ink)"
          @click="take(p)"
        >
          {{ p.name }}<span class="opacity-75">, {{ p.region ? `${p.region}, ` : '' }}{{ p.country }}</span>
        </button>
      </li>
    </ul>
    <p class="hint">
      {{ props.here ? `${formatCoordinates(props.here)}. ` : '' }}The search is a simulated service over a list that
      ships with Tierra; it knows no heights.
    </p>
    <WorldMapDialog :open="map" :here="here ?? NOWHERE" @close="map = false" @place="pointed" />
  </div>
</template>
