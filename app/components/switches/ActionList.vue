<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { actionsAt, type Action, type Change, type Controller, type ListPlace, type Rig } from '#core/rig'
import { listSteps, messagesAmong, type Doing } from '#core/switching'
import { useLists } from '~/composables/useLists'
import { actionLines, actionTitle } from '#shared/actions'
import { messageText } from '#shared/words/messages'
import { ACTION_EDITORS, SHOWN_AT_ONCE } from './actions/actionEditors'
import ActionFrame from './actions/ActionFrame.vue'
import AddAction from './AddAction.vue'
import EntryField from './EntryField.vue'

/** What is done one after the other, and a field to add to it. */
const { rig, place, doing, controller, title } = defineProps<{
  rig: Rig
  place: ListPlace
  doing: Doing
  controller: Controller | null
  title: string
}>()

const emit = defineEmits<{ leave: [] }>()

const lists = useLists()
const actions = computed(() => actionsAt(rig, place))
const steps = computed(() => listSteps(rig, actions.value, doing))

const nameOf = (action: Action) => actionTitle(rig, action)

function sentBy(at: number): string {
  const messages = messagesAmong(steps.value.filter((one) => one.action === at))
  const said = messages.slice(0, 3).map(({ message }) => messageText(message))
  return messages.length > 3 ? `${said.join(', ')} ... ${messages.length} messages` : said.join(', ')
}

const onChange = (at: number, action: Action, first?: readonly Change[]) =>
  lists.change(place, at, action, first)

const entry = useTemplateRef<{ focus: () => void }>('entry')
defineExpose({ focus: () => entry.value?.focus() })
</script>

<template>
  <section class="list" :aria-label="title">
    <div class="head">
      <h3>{{ title }}</h3>
      <AddAction
        :rig="rig"
        @device="lists.preset(place, $event)"
        @action="lists.add(place, { action: $event, sureness: 0 })"
      />
      <slot name="tools" />
    </div>
    <ol v-if="actions.length > 0">
      <ActionFrame
        v-for="(action, n) in actions"
        :key="`${n}/${action.kind}`"
        :lines="actionLines(rig, action)"
        :name="nameOf(action)"
        :sent="sentBy(n)"
        :is-first="n === 0"
        :is-last="n === actions.length - 1"
        :is-open="SHOWN_AT_ONCE.has(action.kind)"
        @move="lists.move(place, n, $event)"
        @remove="lists.remove(place, n)"
      >
        <component
          :is="ACTION_EDITORS[action.kind]"
          :rig="rig"
          :action="action"
          :place="place"
          :controller="controller"
          @change="(one: Action, first?: readonly Change[]) => onChange(n, one, first)"
        />
      </ActionFrame>
    </ol>
    <EntryField
      ref="entry"
      :rig="rig"
      :doing="doing"
      :label="`Add: ${title.toLowerCase()}`"
      :takes-turns="place.of === 'switch' && place.event === 'press'"
      :holds="place.of === 'switch' && place.event !== 'release'"
      @add="lists.add(place, $event)"
      @turns="place.of === 'switch' && lists.turns(place.slot, $event)"
      @leave="emit('leave')"
    />
  </section>
</template>

<style scoped>
.list {
  display: grid;
  gap: 5px;
}

.head {
  display: flex;
  align-items: center;
  gap: 8px;
}
.head h3 {
  flex: 1;
}
</style>
