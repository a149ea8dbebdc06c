<template>
  <div class="fields">
    <p class="soft">
      Every device that a message or contact can switch off, all sweeps, and the clock. What only a foot
      switches off stays as it is.
    </p>
  </div>
</template>
