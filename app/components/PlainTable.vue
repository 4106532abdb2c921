<script setup lang="ts">
/**
 * A table of figures; where there is no room for it, it scrolls sideways by itself. What is said of it (a role, a name,
 * keys) is said of the table.
 */
defineOptions({ inheritAttrs: false })
defineSlots<{ heads(): unknown; default(): unknown }>()
</script>

<template>
  <div class="relative overflow-x-auto">
    <table class="w-full text-sm" v-bind="$attrs">
      <thead>
        <tr class="border-b border-edge text-muted">
          <slot name="heads" />
        </tr>
      </thead>
      <tbody>
        <slot />
      </tbody>
    </table>
  </div>
</template>
