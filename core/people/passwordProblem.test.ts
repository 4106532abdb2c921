import { expect, it } from 'vitest'
import { passwordProblem } from './passwordProblem'

const common = new Set(['passwordpassword'])
const own = ['Siân', 'Ó Briain', 'Ines', 'Calloway', 'Larkhollow School', '']

it.each([
  ['river-otter-lantern', null],
  ['vierzehnzeichen', null],
  ['fourteen signs', /at least 15/],
  ['👩‍👧👩‍👧', /at least 15/],
  ['PasswordPassword', /tried first/],
  ['aaaaaaaaaaaaaaaab', /tried first/],
  ['ines calloway 2026', /mostly a name/],
  ['Larkhollow School1', /mostly a name/],
  ['ines met a slow lantern', null],
  ['sianobriain2026', /mostly a name/],
  ['CallowayCalloway99', /mostly a name/],
  ['...............a', /tried first/],
])('“%s”: %s', (password, expected) => {
  const problem = passwordProblem(password, own, common)
  if (expected === null) expect(problem).toBeNull()
  else expect(problem).toMatch(expected)
})
