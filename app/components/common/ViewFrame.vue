<script setup lang="ts">
import { PanelRightClose, PanelRightOpen } from '@lucide/vue'
import { useInspectorFold } from '~/composables/useInspectorFold'
import IconButton from './IconButton.vue'

/** The two columns every view has: what it is about, and the inspector for what is chosen in it. */
const { title, summary, inspector } = defineProps<{ title: string; summary: string; inspector: string }>()

const { isFolded, fold } = useInspectorFold()
</script>

<template>
  <div class="frame" :class="{ folded: isFolded }">
    <main class="middle">
      <header>
        <h1>{{ title }}</h1>
        <p>{{ summary }}</p>
        <div class="tools">
          <slot name="tools" />
          <IconButton
            :icon="isFolded ? PanelRightOpen : PanelRightClose"
            :name="isFolded ? 'Show what is chosen (I)' : 'Fold what is chosen away (I)'"
            @click="fold"
          />
        </div>
      </header>
      <slot />
    </main>
    <aside v-show="!isFolded" class="inspector" :aria-label="inspector">
      <slot name="inspector" />
    </aside>
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: minmax(0, 1fr) clamp(280px, 32%, 372px);
  min-height: 0;
}

.folded {
  grid-template-columns: minmax(0, 1fr);
}

.middle {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  padding: 14px 20px 12px 22px;
}

header {
  display: flex;
  align-items: baseline;
  gap: 12px;
  padding-bottom: 6px;
}

header p {
  flex: 1;
  color: var(--ink-soft);
}

.tools {
  display: flex;
  gap: 8px;
}

.inspector {
  min-height: 0;
  overflow: auto;
  padding: 16px 18px;
  border-left: 1px solid var(--line);
  background: var(--sheet);
}

@media (max-width: 900px) {
  .frame {
    grid-template: minmax(0, 1fr) minmax(0, 34%) / minmax(0, 1fr);
  }

  .folded {
    grid-template: minmax(0, 1fr) / minmax(0, 1fr);
  }

  .inspector {
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}

/* Where the page scrolls, what is chosen stands below the view. */
@media (max-width: 900px) {
  .short .frame {
    grid-template: minmax(calc(100dvh - var(--line)), auto) auto / minmax(0, 1fr);
  }
}

@media (max-width: 620px) {
  .frame,
  .folded {
    grid-template: minmax(60dvh, auto) auto / minmax(0, 1fr);
  }

  header {
    flex-wrap: wrap;
  }

  .middle {
    padding: 12px 14px;
  }
}
</style>
