<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { addRow, inOrder, lastOrder, type MacroId, type Rig } from '#core/rig'
import { useRigStore } from '~/stores/rig'
import { actionText } from '#shared/actions'
import { count } from '#shared/words/counts'
import { macroUsers } from './macroUsers'

/** Named lists of actions: what each does and who runs it. */
const { rig, chosen } = defineProps<{ rig: Rig; chosen: string | null }>()
const emit = defineEmits<{ choose: [macroId: string] }>()

const rigs = useRigStore()
const macros = computed(() => inOrder(rig.macros))
const users = computed(() => macroUsers(rig))

function add(): void {
  const id = nanoid(12) as MacroId
  const name = `Macro ${macros.value.length + 1}`
  const row = { id, order: lastOrder(rig.macros), name, actions: [] }
  if (rigs.edit(addRow('addMacro', 'macros', row))) emit('choose', id)
}
</script>

<template>
  <div class="pane">
    <p class="soft">
      A macro is a list of actions with a name. Switches run it by name, so one change here changes all of
      them.
    </p>
    <div><Button label="Add a macro" size="small" @click="add" /></div>
    <ul aria-label="Macros">
      <li v-for="macro in macros" :key="macro.id">
        <button
          type="button"
          :class="{ chosen: macro.id === chosen }"
          :aria-pressed="macro.id === chosen"
          @click="emit('choose', macro.id)"
        >
          <b>{{ macro.name }}</b>
          <span>{{ macro.actions.map((one) => actionText(rig, one)).join('; ') || 'nothing yet' }}</span>
          <span class="soft">{{ count(users.get(macro.id)?.length ?? 0, 'user') }}</span>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.pane {
  flex: 1;
  display: grid;
  align-content: start;
  gap: 10px;
  min-height: 0;
  overflow: auto;
  padding: 12px 2px;
}

button {
  display: grid;
  grid-template-columns: minmax(120px, 1fr) minmax(0, 3fr) auto;
  gap: 12px;
  width: 100%;
  padding: 7px 10px;
  border: 1px solid var(--line);
  border-top: 0;
  background: var(--sheet);
  text-align: left;
}

li:first-child button {
  border-top: 1px solid var(--line);
}

button:hover {
  background: var(--hover);
}

button.chosen {
  box-shadow: inset 3px 0 var(--ink);
}

span {
  overflow-wrap: anywhere;
}
</style>
