import type { InjectionKey } from 'vue'

const meeting: InjectionKey<boolean> = Symbol('meeting')

/** Says to all that is drawn within that the family looks on: what is the teacher's alone stays away. */
export function holdMeeting(isMeeting: boolean): void {
  provide(meeting, isMeeting)
}

/** Whether the family looks on. */
export function useIsMeeting(): boolean {
  return inject(meeting, false)
}
