<script setup lang="ts">
import type { PhraseUses } from '~~/contracts/phrasebook'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'

/** Where else in the school a phrase is said this term: what a change would reach beyond the class in view. */
const props = defineProps<{ id: string }>()
const view = useView()
const classRecord = useClassRecord()
const { problem, attempt } = useAttempt()
const uses = shallowRef<PhraseUses[]>([])
const elsewhere = computed(() => uses.value.filter((each) => each.classId !== view.kept.classId))

onMounted(() =>
  attempt(async () => {
    uses.value = await askServer<PhraseUses[]>(
      'GET',
      `${classRecord.yearPath}/phrasebook/uses/${view.kept.termId}?phrase=${encodeURIComponent(props.id)}`,
    )
  }),
)
</script>

<template>
  <p v-for="each in elsewhere" :key="each.classId" class="text-muted">
    In {{ each.className }}: {{ each.drafts }} {{ each.drafts === 1 ? 'draft' : 'drafts' }} would change when redrafted
    there, {{ each.staying }} with own words or finished stay.
  </p>
  <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
</template>
