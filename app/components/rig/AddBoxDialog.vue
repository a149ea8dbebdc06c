<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import { CONTROLLERS, DEVICES, type ControllerArchetype, type DeviceArchetype } from '#core/archetype'
import { roleOf } from '#core/rig'
import { ROLE_TEXT } from '~/text/jacks'

/** Picks a kind of box to bring to the floor. */
const { wants } = defineProps<{ wants: 'controller' | 'device' | null }>()
const emit = defineEmits<{
  close: []
  controller: [kind: ControllerArchetype]
  device: [kind: DeviceArchetype]
}>()

const GROUPS = [
  { title: 'Answers to MIDI', kinds: ['receiver'] },
  { title: 'Passes messages on', kinds: ['box'] },
  { title: 'Without MIDI', kinds: ['plain', 'pedal', 'supply'] },
]
const groups = computed(() =>
  wants === 'controller'
    ? [{ title: 'By number of switches', all: CONTROLLERS }]
    : GROUPS.map(({ title, kinds }) => ({
        title,
        all: DEVICES.filter(({ fields }) => kinds.includes(fields.kind)),
      })),
)

type Kind = ControllerArchetype | DeviceArchetype
const jacksText = ({ fields }: Kind) =>
  [
    ...new Set(
      fields.ports
        .map((port) => roleOf(port))
        .flatMap(({ kind }) => (kind === 'powerIn' ? [] : [ROLE_TEXT[kind]])),
    ),
  ].join(', ')
const pick = (kind: Kind) =>
  wants === 'controller'
    ? emit('controller', kind as ControllerArchetype)
    : emit('device', kind as DeviceArchetype)
</script>

<template>
  <Dialog
    :visible="wants !== null"
    modal
    :header="wants === 'controller' ? 'Which kind of controller' : 'Which kind of device'"
    :draggable="false"
    :style="{ width: '860px', maxWidth: '94vw' }"
    @update:visible="emit('close')"
  >
    <p class="soft">
      Each comes with what is usual for its kind; change what differs by the maker’s manual. A device comes
      with a free channel and, where a jack is free, its cable.
    </p>
    <div class="groups">
      <section v-for="group in groups" :key="group.title">
        <h3>{{ group.title }}</h3>
        <ul>
          <li v-for="kind in group.all" :key="kind.key">
            <button type="button" @click="pick(kind)">
              <b>{{ kind.fields.name }}</b>
              <span>{{ jacksText(kind) }}</span>
            </button>
          </li>
        </ul>
      </section>
    </div>
  </Dialog>
</template>

<style scoped>
.groups {
  display: grid;
  gap: 14px;
  padding-top: 12px;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 4px 8px;
  padding-top: 4px;
}

button {
  display: grid;
  align-content: start;
  width: 100%;
  height: 100%;
  padding: 5px 9px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: none;
  text-align: left;
}

button:hover {
  border-color: var(--ink);
}

button span {
  font-size: 12px;
  line-height: 1.3;
  color: var(--ink-soft);
}
</style>
