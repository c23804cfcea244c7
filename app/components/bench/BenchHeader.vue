<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDown, Download, Keyboard, Moon, Pin, PinOff, Printer, Redo2, Sun, Undo2, Upload } from 'lucide-vue-next'
import type { UnitSystem } from '../../../core/units'

const printSheet = () => window.print()
const emit = defineEmits<{ help: []; start: []; plain: []; rename: []; exportDesign: []; importDesign: [] }>()
const bench = useDesign()
const keeping = useKeeping()
const year = useYear()
const settings = useSettings()

const STATES = {
  opening: 'opening',
  kept: 'kept',
  keeping: 'keeping …',
  memory: 'in memory only',
  conflict: 'changed in two tabs',
}
const UNITS: { id: UnitSystem; name: string }[] = [
  { id: 'metric', name: 'm · °C' },
  { id: 'us', name: 'ft · °F' },
  { id: 'mixed', name: 'ft · °C' },
]

const isPinned = computed(() => year.pinned !== null)
function togglePin(): void {
  void year.pin(isPinned.value && year.pinned === bench.current ? null : bench.current)
}
</script>

<template>
  <header class="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-ink px-4 py-1">
    <NuxtLink to="/designs" class="slab text-2xl"> Tierra </NuxtLink>
    <Menu as="div" class="relative">
      <MenuButton class="button quiet slab text-[1.05rem]" data-test="design-menu">
        {{ bench.current.name }} <ChevronDown :size="16" aria-hidden="true" />
      </MenuButton>
      <MenuItems class="absolute left-0 z-40 mt-1 w-56 border border-ink bg-paper py-1 shadow-lg outline-none">
        <MenuItem v-slot="{ active }">
          <NuxtLink to="/designs" class="item" :class="{ active }"> All designs </NuxtLink>
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
    <button class="button start" data-test="start-yours" @click="emit('start')">Start yours</button>
    <span
      class="text-sm"
      :class="
        keeping.state === 'kept'
          ? 'text-moss'
          : keeping.state === 'keeping' || keeping.state === 'opening'
            ? 'text-soft'
            : 'text-clay font-semibold'
      "
      role="status"
      data-test="keep-state"
      >{{ STATES[keeping.state] }}</span
    >
    <div class="ml-auto flex flex-wrap items-center gap-1">
      <button
        class="button quiet"
        :disabled="!bench.canUndo"
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        data-test="undo"
        @click="bench.undo()"
      >
        <Undo2 :size="18" />
      </button>
      <button
        class="button quiet"
        :disabled="!bench.canRedo"
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
        data-test="redo"
        @click="bench.redo()"
      >
        <Redo2 :size="18" />
      </button>
      <select v-model="settings.units" class="input !w-auto" aria-label="Units" data-test="units">
        <option v-for="u in UNITS" :key="u.id" :value="u.id">
          {{ u.name }}
        </option>
      </select>
      <button
        class="button quiet"
        :aria-label="settings.theme === 'day' ? 'Night theme' : 'Day theme'"
        data-test="theme"
        @click="settings.theme = settings.theme === 'day' ? 'night' : 'day'"
      >
        <Moon v-if="settings.theme === 'day'" :size="18" />
        <Sun v-else :size="18" />
      </button>
      <button
        class="button"
        :title="
          isPinned
            ? 'Pin the design as it is now, or take the pin out'
            : 'Pin this design: later figures show their change against it (P)'
        "
        data-test="pin"
        @click="togglePin"
      >
        <component :is="isPinned && year.pinned === bench.current ? PinOff : Pin" :size="16" aria-hidden="true" />
        {{ isPinned ? (year.pinned === bench.current ? 'pinned' : 'compare from here') : 'pin' }}
      </button>
      <button
        v-if="isPinned && year.pinned !== bench.current"
        class="button quiet"
        aria-label="Take the pin out"
        data-test="unpin"
        @click="year.pin(null)"
      >
        <PinOff :size="16" />
      </button>
      <button class="button" data-test="import" @click="emit('importDesign')">
        <Upload :size="16" aria-hidden="true" /> import
      </button>
      <button class="button" data-test="export" @click="emit('exportDesign')">
        <Download :size="16" aria-hidden="true" /> export
      </button>
      <button
        class="button quiet"
        aria-label="Print the design’s sheet"
        title="Print the design’s sheet"
        data-test="print-design"
        @click="printSheet"
      >
        <Printer :size="18" />
      </button>
      <button class="button quiet" aria-label="Keyboard shortcuts" title="Keyboard shortcuts (?)" @click="emit('help')">
        <Keyboard :size="18" />
      </button>
    </div>
  </header>
</template>

<style scoped>
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
