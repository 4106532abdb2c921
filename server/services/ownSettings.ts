import { dequal } from 'dequal'
import { ownSettings, usualSettings, type OwnSettings, type SettingsToWrite } from '../../contracts/ownSettings'
import { keptSettings } from '../data/people'
import { save, type Context } from './context'

/** How somebody likes to work; what a newer version asks for and nobody has said yet is as usual. */
export async function settingsOf({ db, who }: Pick<Context, 'db' | 'who'>): Promise<OwnSettings> {
  return whole(await keptSettings(db, who.personId))
}

function whole(kept: Partial<OwnSettings> | undefined): OwnSettings {
  return ownSettings.catch(usualSettings).parse({ ...usualSettings, ...kept })
}

/** Keeps how somebody likes to work. */
export async function writeSettings(context: Context, { settings, was }: SettingsToWrite): Promise<number | null> {
  const key = { person_id: context.who.personId }
  const kept = await keptSettings(context.db, context.who.personId)
  // Who sees what is kept, filled up with the usual, has seen what is kept.
  const seen = kept && dequal(whole(kept), was) ? kept : was
  const change = {
    table: 'person_setting' as const,
    key,
    seen: kept ? { settings: seen } : null,
    after: { settings },
  }
  const action = { classId: null, termId: null, kind: 'changed the own settings', needs: ['own' as const] }
  return (await save(context, action, [change])).event
}
