<template>
  <div class="fields">
    <p class="soft">
      For each device the preset last recalled, then every value and contact last sent: the floor is then what
      the lamps say.
    </p>
  </div>
</template>
