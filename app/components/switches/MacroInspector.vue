<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { editRow, removeRow, type Controller, type Macro, type Rig } from '#core/rig'
import { NOTHING_KNOWN, type Doing } from '#core/switching'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import ActionList from './ActionList.vue'
import { macroUsers } from './macroUsers'
import PutBar from './PutBar.vue'

/** What a macro does, and who runs it. */
const { rig, macro, controller } = defineProps<{ rig: Rig; macro: Macro; controller: Controller | null }>()

const rigs = useRigStore()
const users = computed(() => macroUsers(rig).get(macro.id) ?? [])
const doing = computed((): Doing => ({ controller, known: NOTHING_KNOWN, at: 0, by: null }))
const isAsked = ref(false)

function remove(): void {
  isAsked.value = false
  rigs.edit(removeRow(rig, 'removeMacro', 'macros', macro.id))
}
</script>

<template>
  <div class="inspector">
    <TextField
      label="Macro"
      :value="macro.name"
      :max="60"
      required
      @take="rigs.edit(editRow(rig, 'changeMacro', 'macros', macro.id, { name: $event }))"
    />
    <ActionList
      :rig="rig"
      :place="{ of: 'macro', macroId: macro.id }"
      :doing="doing"
      :controller="controller"
      title="What it does"
    />
    <section>
      <h3>Who runs it</h3>
      <p v-if="users.length === 0" class="soft">Nobody yet. Type its name on a switch.</p>
      <ul v-else>
        <li v-for="user in users" :key="user">{{ user }}</li>
      </ul>
    </section>
    <PutBar
      v-if="isAsked"
      :text="`Remove it? ${count(users.length, 'user')} will do without.`"
      :ways="[{ key: 'go', text: 'Remove it' }]"
      @go="remove"
      @cancel="isAsked = false"
    />
    <div v-else>
      <Button
        label="Remove this macro"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="users.length > 0 ? (isAsked = true) : remove()"
      />
    </div>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 14px;
}
</style>
