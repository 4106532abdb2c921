import { dequal } from 'dequal'

/**
 * A form's own copy of what stands. It follows what stands, also when the class is read again, until somebody changes
 * it here; what they have changed then stays in the form, beside what they saw when they began.
 * @param standing what stands, as plain data
 */
export function useOwnCopy<Standing>(standing: () => Standing) {
  const seen = shallowRef(standing())
  const wanted = ref(copied(seen.value)) as Ref<Standing>
  const isChanged = computed(() => !dequal(wanted.value, seen.value))
  useUnsaved(() => isChanged.value)

  function take(now: Standing): void {
    seen.value = now
    wanted.value = copied(now)
  }

  watch(standing, (now) => {
    if (dequal(now, seen.value)) return
    if (!isChanged.value || dequal(now, wanted.value)) take(now)
  })

  /** Takes what stands in place of what was changed here: it has been kept, or is given up. */
  const takeStanding = (): void => take(standing())
  return { seen, wanted, isChanged, takeStanding }
}

/** Through text, since what stands may be watched, and what is watched cannot be cloned. */
const copied = <Data>(data: Data): Data => JSON.parse(JSON.stringify(data)) as Data
