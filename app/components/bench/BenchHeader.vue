<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import {
  BookOpen,
  ChevronDown,
  Download,
  Ellipsis,
  Keyboard,
  Moon,
  Pin,
  PinOff,
  Printer,
  Redo2,
  Sun,
  Undo2,
  Upload,
} from 'lucide-vue-next'
import type { UnitSystem } from '../../../core/units'
import { BENCH_STATES, isHeld } from '~/keeping/states'
import { KEPT_STEPS } from '~/keeping/history'
import { PATH } from '~/walk/path'

const printSheet = () => window.print()
const emit = defineEmits<{ help: []; plain: []; rename: []; exportDesign: []; importDesign: [] }>()
const bench = useDesign()
const keeping = useKeeping()
const year = useYear()
const settings = useSettings()
const sheets = useSheets()
const walk = useWalk()

/** How the design is kept; what is written beside it is on its way too. */
const kept = computed(() => BENCH_STATES[keeping.state === 'kept' && !keeping.isSafe ? 'keeping' : keeping.state])
const UNITS: { id: UnitSystem; name: string }[] = [
  { id: 'metric', name: 'm · °C' },
  { id: 'us', name: 'ft · °F' },
  { id: 'mixed', name: 'ft · °C' },
]

const isPinned = computed(() => year.pinned !== null)
function togglePin(): void {
  void year.pin(isPinned.value && year.pinned === bench.current ? null : bench.current)
}
const pinWords = computed(() =>
  isPinned.value ? (year.pinned === bench.current ? 'pinned' : 'compare from here') : 'pin',
)
const themeWords = computed(() => (settings.theme === 'day' ? 'Night theme' : 'Day theme'))
const turnTheme = () => {
  settings.theme = settings.theme === 'day' ? 'night' : 'day'
}
const walkWords = computed(() =>
  walk.at > 0 && !walk.ended ? `Walk on (${walk.at + 1} of ${PATH.length})` : 'Walk through',
)
/** On a phone all this is behind one button, so that the header keeps to one row. */
const more = computed(() => [
  { id: 'start', name: 'Start yours', run: () => (sheets.start = true) },
  { id: 'walk', name: walkWords.value, run: walk.begin },
  ...UNITS.filter(u => u.id !== settings.units).map(u => ({
    id: `units-${u.id}`,
    name: `Units: ${u.name}`,
    run: () => (settings.units = u.id),
  })),
  { id: 'theme', name: themeWords.value, run: turnTheme },
  { id: 'pin', name: isPinned.value ? 'Pin, or take the pin out' : 'Pin this design', run: togglePin },
  { id: 'words', name: 'Words, explained', run: () => sheets.explainHere(null) },
  { id: 'import', name: 'Import a file', run: () => emit('importDesign') },
  { id: 'export', name: 'Export this design', run: () => emit('exportDesign') },
  { id: 'print', name: 'Print its sheet', run: printSheet },
])
</script>

<template>
  <header class="flex items-center gap-x-3 border-b border-ink px-4 py-1">
    <NuxtLink to="/designs" class="slab text-2xl" :prefetch="false"> Tierra </NuxtLink>
    <Menu as="div" class="relative min-w-0">
      <MenuButton class="button quiet slab max-w-full text-[1.05rem]" data-test="design-menu">
        <span class="truncate">{{ bench.current.name }}</span> <ChevronDown :size="16" aria-hidden="true" />
      </MenuButton>
      <MenuItems class="items left-0">
        <MenuItem v-slot="{ active }">
          <NuxtLink to="/designs" class="item" :class="{ active }" :prefetch="false"> All designs </NuxtLink>
        </MenuItem>
        <MenuItem v-slot="{ active }">
          <button class="item" :class="{ active }" data-test="menu-new" @click="emit('plain')">A plain new one</button>
        </MenuItem>
        <MenuItem v-slot="{ active }">
          <button class="item" :class="{ active }" @click="keeping.duplicate(bench.current.id)">Duplicate</button>
        </MenuItem>
        <MenuItem v-slot="{ active }">
          <button class="item" :class="{ active }" @click="emit('rename')">Rename</button>
        </MenuItem>
      </MenuItems>
    </Menu>
    <button class="button start wide" data-test="start-yours" @click="sheets.start = true">Start yours</button>
    <button class="button quiet wide" data-test="walk-through" @click="walk.begin()">{{ walkWords }}</button>
    <span
      class="text-sm whitespace-nowrap"
      :class="kept.calm ? `kept ${keeping.state === 'kept' && keeping.isSafe ? 'text-moss' : 'text-soft'}` : 'held'"
      :title="keeping.lasting || keeping.state === 'opening' ? kept.about : BENCH_STATES.memory.about"
      role="status"
      data-test="keep-state"
      >{{ kept.words }}{{ isHeld(keeping.state) && !keeping.lasting ? ', in memory only' : '' }}</span
    >
    <div class="ml-auto flex items-center gap-1">
      <button
        class="button quiet"
        :disabled="!bench.canUndo"
        aria-label="Undo"
        :title="`Undo (Ctrl Z). The last ${KEPT_STEPS} steps outlive a reload.`"
        data-test="undo"
        @click="bench.undo()"
      >
        <Undo2 :size="18" />
      </button>
      <button
        class="button quiet"
        :disabled="!bench.canRedo"
        aria-label="Redo"
        :title="`Redo (Ctrl Shift Z). The next ${KEPT_STEPS} steps outlive a reload.`"
        data-test="redo"
        @click="bench.redo()"
      >
        <Redo2 :size="18" />
      </button>
      <select v-model="settings.units" class="input wide !w-auto" aria-label="Units" data-test="units">
        <option v-for="u in UNITS" :key="u.id" :value="u.id">
          {{ u.name }}
        </option>
      </select>
      <button class="button quiet wide" :aria-label="themeWords" data-test="theme" @click="turnTheme">
        <Moon v-if="settings.theme === 'day'" :size="18" />
        <Sun v-else :size="18" />
      </button>
      <button
        class="button wide"
        :title="
          isPinned
            ? 'Pin the design as it is now, or take the pin out'
            : 'Pin this design: later figures show their change against it (P)'
        "
        data-test="pin"
        @click="togglePin"
      >
        <component :is="isPinned && year.pinned === bench.current ? PinOff : Pin" :size="16" aria-hidden="true" />
        {{ pinWords }}
      </button>
      <button
        v-if="isPinned && year.pinned !== bench.current"
        class="button quiet wide"
        aria-label="Take the pin out"
        data-test="unpin"
        @click="year.pin(null)"
      >
        <PinOff :size="16" />
      </button>
      <button class="button wide" data-test="import" @click="emit('importDesign')">
        <Upload :size="16" aria-hidden="true" /> import
      </button>
      <button class="button wide" data-test="export" @click="emit('exportDesign')">
        <Download :size="16" aria-hidden="true" /> export
      </button>
      <button
        class="button quiet wide"
        aria-label="Print the design’s sheet"
        title="Print the design’s sheet"
        data-test="print-design"
        @click="printSheet"
      >
        <Printer :size="18" />
      </button>
      <button
        class="button quiet wide"
        aria-label="Words, explained"
        title="Words on this screen, explained (W)"
        data-test="words"
        @click="sheets.explainHere(null)"
      >
        <BookOpen :size="18" />
      </button>
      <button
        class="button quiet wide"
        aria-label="Keyboard shortcuts"
        title="Keyboard shortcuts (?)"
        @click="emit('help')"
      >
        <Keyboard :size="18" />
      </button>
      <Menu as="div" class="narrow relative">
        <MenuButton class="button" aria-label="More" data-test="more"><Ellipsis :size="20" /></MenuButton>
        <MenuItems class="items right-0">
          <MenuItem v-for="m in more" :key="m.name" v-slot="{ active }">
            <button class="item" :class="{ active }" :data-test="`more-${m.id}`" @click="m.run">{{ m.name }}</button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </div>
  </header>
</template>

<style scoped>
.items {
  position: absolute;
  z-index: 40;
  margin-top: 0.25rem;
  width: 14rem;
  border: 1px solid var(--ink);
  background: var(--paper);
  padding: 0.25rem 0;
  box-shadow: 0 3px 14px #0003;
  outline: none;
}
.items.left-0 {
  left: 0;
}
.items.right-0 {
  right: 0;
}
.narrow {
  display: none;
}
@media (max-width: 900px) {
  header {
    padding-inline: 0.6rem;
    gap: 0.4rem;
  }
  .wide,
  .kept {
    display: none;
  }
  .narrow {
    display: block;
  }
  .item {
    padding-block: 0.55rem;
  }
}
.held {
  color: var(--clay);
  font-weight: 600;
}
.start {
  border-color: var(--clay);
  font-weight: 600;
}
.item {
  display: block;
  width: 100%;
  text-align: left;
  padding: 0.3rem 0.8rem;
  cursor: pointer;
}
.item.active {
  background: var(--choice);
  color: var(--choice-ink);
}
</style>
