<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { own } from '#core/base'
import { inOrder, type ActionOf, type ListPlace, type Rig, type SoundId } from '#core/rig'
import { presetsFromSound } from '#core/sound'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { actionLines } from '#shared/actions'
import { listText } from '#shared/words/counts'

/** A sound recalled whole. */
const { rig, action, place } = defineProps<{ rig: Rig; action: ActionOf<'recallSound'>; place: ListPlace }>()
const emit = defineEmits<{ change: [action: ActionOf<'recallSound'>] }>()

const rigs = useRigStore()
const router = useRouter()
const { select } = useSelection()
const sound = computed(() => own(rig.sounds, action.soundId))
const lines = computed(() => actionLines(rig, action))
const sounds = computed(() =>
  inOrder(rig.sounds).map(({ id, name }) => ({ value: id as string, text: name })),
)
const back = computed(() =>
  place.of === 'switch' && place.event === 'press' ? presetsFromSound(rig, place.slot, place.position) : null,
)
const loses = computed(() => {
  const left = back.value?.left.flatMap((id) => own(rig.devices, id)?.name ?? []) ?? []
  return left.length === 0 ? '' : `More than a preset is asked of ${listText(left)}: that is left out.`
})

async function open(): Promise<void> {
  select({ kind: 'sound', soundId: action.soundId })
  await router.push(`/rigs/${rigs.rigId}/sounds`)
}

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <template v-if="sound">
      <button type="button" class="tape" @click="open">{{ sound.name }}</button>
      <dl>
        <template v-for="line in lines" :key="line.key">
          <dt>{{ line.device }}</dt>
          <dd>{{ line.state }}</dd>
        </template>
      </dl>
      <ChoiceField
        label="Another sound instead"
        :value="action.soundId as string"
        :choices="sounds"
        @choose="emit('change', { ...action, soundId: $event as SoundId })"
      />
      <div v-if="back" class="back">
        <Button
          label="Make it presets again"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="rigs.edit(back.edit)"
        />
        <p v-if="loses" class="soft">{{ loses }}</p>
      </div>
    </template>
  </div>
</template>

<style scoped>
.tape {
  justify-self: start;
  min-width: 0;
  padding: 2px 10px;
  border: 0;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 15px/1.4 var(--display);
  text-align: left;
  overflow-wrap: anywhere;
}

dl {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 2px 10px;
  margin: 0;
  font-size: 13px;
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
  font-weight: 600;
  overflow-wrap: anywhere;
}

.back {
  display: grid;
  justify-items: start;
  gap: 4px;
}
</style>
