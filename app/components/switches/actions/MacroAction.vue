<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { inOrder, type ActionOf, type MacroId, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { actionText } from '#shared/actions'

/** A macro, run whole. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'macro'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'macro'>] }>()

const macros = computed(() =>
  inOrder(rig.macros).map(({ id, name }) => ({ value: id as string, text: name })),
)
const inside = computed(() => own(rig.macros, action.macroId)?.actions ?? [])

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ChoiceField
      label="Macro"
      :value="action.macroId as string"
      :choices="macros"
      @choose="emit('change', { ...action, macroId: $event as MacroId })"
    />
    <ol class="soft">
      <li v-for="(one, n) in inside" :key="n">{{ actionText(rig, one) }}</li>
    </ol>
  </div>
</template>
