<script setup lang="ts">
/** In the place of a view whose code did not come. */
const reload = () => window.location.reload()
</script>

<template>
  <main>
    <p role="alert">
      <b>This view did not come.</b> The server may be away, or has a newer version. Your edits are kept in
      this tab. <button type="button" class="word" @click="reload">Load the page again</button>
    </p>
  </main>
</template>

<style scoped>
main {
  padding: 24px;
}
</style>
