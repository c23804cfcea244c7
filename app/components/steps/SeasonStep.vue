<script setup lang="ts">
import { fileNameOf } from '~/keeping/records'

const TABS = [
  { id: 'tonight', name: 'Tonight' },
  { id: 'readings', name: 'Readings' },
  { id: 'designed', name: 'As designed?' },
  { id: 'tasks', name: 'Tasks' },
  { id: 'crops', name: 'Crops' },
  { id: 'water', name: 'Water' },
  { id: 'diary', name: 'Year’s page' },
] as const
const season = useSeason()
const logger = useLogger()
onMounted(() => {
  season.look()
  logger.start()
})
const keeping = useKeeping()
const bench = useDesign()
async function saveDamaged(): Promise<void> {
  const raw = await keeping.bookOf(bench.current.id)
  saveText(fileNameOf('season book', bench.current.name), JSON.stringify(raw))
}
async function startOwn(): Promise<void> {
  const { emptyBook } = await import('../../../core/season/book')
  await season.replace(emptyBook(), 'An empty season book is begun.')
}
</script>

<template>
  <div>
    <p v-if="season.isDemo" class="banner" role="note" data-test="demo-book">
      This is an invented year, read in a house that leaks more than it is drawn: to try the book on.
      <button class="button ml-2" data-test="start-own" @click="startOwn">Begin your own</button>
    </p>
    <div v-if="season.damaged.length > 0" class="banner" role="alert" data-test="damaged-book">
      <p>
        <strong>The season book of this design cannot be read.</strong> It is left as it is; nothing is written here.
      </p>
      <ul class="list-disc pl-5 text-sm">
        <li v-for="line in season.damaged" :key="line">{{ line }}</li>
      </ul>
      <button class="button mt-1 mr-2" data-test="save-damaged" @click="saveDamaged">Save it as a file</button>
      <button class="button mt-1" data-test="begin-anew" @click="season.beginAnew()">
        Put it aside and begin an empty one
      </button>
    </div>
    <StepTabs :tabs="TABS" label="Season book">
      <template #tonight>
        <TonightPanel />
      </template>
      <template #readings>
        <ReadingsPanel />
      </template>
      <template #designed>
        <ComparePanel />
      </template>
      <template #tasks>
        <SeasonTasksPanel />
      </template>
      <template #crops>
        <CropLogPanel />
      </template>
      <template #water>
        <WaterPanel />
      </template>
      <template #diary>
        <DiaryPanel />
      </template>
    </StepTabs>
  </div>
</template>

<style scoped>
.banner {
  padding: 0.4rem 1.1rem;
  background: var(--warn);
}
</style>
