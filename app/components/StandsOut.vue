<script setup lang="ts">
import { standsOut } from '~~/core/marks/standsOut'
import { useSettings } from '~/stores/settings'

/** A sign beside a percentage that the person wants marked, as low or as high. */
const { percent, decimals = null } = defineProps<{
  percent: number | null
  /** Of a mark that is shown rounded. */
  decimals?: number
}>()
const settings = useSettings()
const which = computed(() => (percent === null ? null : standsOut(percent, settings.own, decimals)))
</script>

<template>
  <span v-if="which === 'low'" class="text-needs" :title="`below ${settings.own.lowBelow} %`"
    ><span aria-hidden="true">▾</span><span class="sr-only">low</span></span
  >
  <span v-else-if="which === 'high'" class="text-teal" :title="`${settings.own.highFrom} % or more`"
    ><span aria-hidden="true">▴</span><span class="sr-only">high</span></span
  >
</template>
