import { useLeaving } from '~/stores/leaving'

/** While something of this component is begun and not kept, nobody leaves the page without being asked. */
export function useUnsaved(isUnsaved: () => boolean): void {
  onScopeDispose(useLeaving().hold(isUnsaved))
}
