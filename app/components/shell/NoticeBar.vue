<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { signInAddress } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { EDIT_TEXT } from '~/text/edits'
import { setbackText } from '~/text/refusals'
import { workFaultText } from '~/text/workFault'

/** What stands between the player and a saved rig, and the ways out. Nothing typed is dropped without a word. */
const rigs = useRigStore()
const route = useRoute()
const refusal = computed(() => (rigs.outboxState.kind === 'refused' ? rigs.outboxState.error : null))
const away = computed(() => (rigs.outboxState.kind === 'away' ? rigs.outboxState : null))
const first = computed(() => rigs.pending[0])
</script>

<template>
  <div class="bar" role="alert">
    <p v-if="refusal?.code === 'notSignedIn'" class="bad">
      <span><b>{{ refusal.message }}</b> Your edits are kept in this tab and sent when you are back.</span>
      <a class="word" :href="signInAddress(route.fullPath)">Sign in</a>
    </p>
    <p v-else-if="refusal" class="bad">
      <span>
        <b>Not saved{{ first ? `: ${EDIT_TEXT[first.edit.label]}` : '' }}.</b> {{ refusal.message }}
        <template v-if="refusal.limit"> The most is {{ Math.floor(refusal.limit / 1e6) }} MB.</template>
        <template v-for="fault in refusal.faults" :key="fault.path">
          {{ fault.path }}: {{ fault.reason }}</template
        >
      </span>
      <button type="button" class="word" @click="rigs.takeNewest()">Take the new state</button>
      <button type="button" class="word" @click="rigs.retry()">Try again</button>
      <button type="button" class="word" @click="rigs.leaveOut()">Leave this edit out</button>
    </p>
    <p v-else-if="rigs.isBehind">
      <span><b>This rig was changed elsewhere.</b> You see revision {{ rigs.revision }}.</span>
      <button type="button" class="word" @click="rigs.takeNewest()">Take the new state</button>
    </p>
    <p v-if="away" class="bad">
      <span>
        <b>{{ away.error?.message ?? 'The server is away.' }}</b>
        Your edits are kept in this tab and sent when it is {{ away.error ? 'well again' : 'back' }}.
      </span>
      <button type="button" class="word" @click="rigs.retry()">Try now</button>
    </p>
    <p v-if="!rigs.isNoted" class="bad">
      <span>
        <b>Do not close or reload this tab yet.</b> {{ count(rigs.pending.length, 'edit') }} not saved, and
        this browser has no room for a copy.
      </span>
    </p>
    <p v-for="one in rigs.lost" :key="one.what" class="bad">
      <span
        ><b>{{ one.what }} could not be looked for.</b> {{ workFaultText(one.fault) }} Until then it is not
        known.</span
      >
      <button type="button" class="word" @click="one.again()">Try again</button>
    </p>
    <p v-for="(setback, n) in rigs.setbacks" :key="n" class="bad">
      <span>{{ setbackText(setback) }}</span>
      <button type="button" class="word" @click="rigs.clearSetbacks()">Close</button>
    </p>
  </div>
</template>

<style scoped>
.bar {
  max-height: 140px;
  overflow: auto;
}

p {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 8px 22px;
  border-bottom: 1px solid var(--line);
  background: var(--warning-ground);
}

p span {
  flex: 1;
  min-width: 260px;
}

.bad {
  background: var(--error-ground);
}
</style>
