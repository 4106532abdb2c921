import { usualSettings } from '../../contracts/ownSettings'

type Ask = () => [method: string, path: string, body?: object]

/** What everybody may ask who is signed in; each changes nothing. */
export const everybodyAsks: [what: string, ask: Ask][] = [
  ['see the desk', () => ['GET', '/api/desk']],
  ['see who is signed in', () => ['GET', '/api/session']],
  ['see the own settings', () => ['GET', '/api/settings']],
  ['keep the own settings as usual', () => ['PUT', '/api/settings', { settings: usualSettings, was: usualSettings }]],
]
