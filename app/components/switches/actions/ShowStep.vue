<script setup lang="ts">
import { computed } from 'vue'
import { inOrder, type ActionOf, type Rig, type SongId } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { SHOW_STEP_TEXT } from '#shared/actions/showStep'

/** A step in the controller's own list of the show. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'showStep'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'showStep'>] }>()

type To = ActionOf<'showStep'>['to']

const songs = computed(() => inOrder(rig.songs).map(({ id, name }) => ({ value: id as string, text: name })))
const choices = computed(() => [
  ...Object.entries(SHOW_STEP_TEXT).map(([value, text]) => ({ value: value as To, text })),
  ...(songs.value.length > 0 ? [{ value: 'song' as const, text: 'first of a song' }] : []),
])

const go = (to: To) =>
  emit('change', {
    ...action,
    to,
    songId: to === 'song' ? (action.songId ?? (songs.value[0]!.value as SongId)) : null,
  })

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ChoiceField label="To" :value="action.to" :choices="choices" @choose="go" />
    <ChoiceField
      v-if="action.to === 'song'"
      label="Song"
      :value="action.songId as string"
      :choices="songs"
      @choose="emit('change', { ...action, songId: $event as SongId })"
    />
  </div>
</template>
