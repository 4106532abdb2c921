import { expect, test } from '@playwright/test'
import { setUpByAsking, signInAt, startEmptySchool, type EmptySchool } from './emptySchool'
import { lookedAt } from './lookedAt'

// What somebody does in a school of their own, on the way to its first term.
let school: EmptySchool
test.beforeAll(async ({ playwright }) => {
  school = await startEmptySchool()
  const request = await playwright.request.newContext()
  await setUpByAsking(request, school, ['Maya', 'Kit', 'Omar'])
  await request.dispose()
})
test.afterAll(() => school.stop())
test.beforeEach(({ page }) => signInAt(page.request, school))

test('a scale is saved as it is made; what cannot be saved yet is not left without a word', async ({ page }) => {
  await page.goto(`${school.address}/school/scales`)
  const marks = page.getByRole('region', { name: 'Marks', exact: true })
  const sentences = marks.getByLabel(/^Sentence for families/)
  await expect(sentences.first()).toBeVisible()
  const count = await sentences.count()
  // One field after the other, as fast as a list of them is typed.
  for (let at = 0; at < count; at += 1) await sentences.nth(at).fill(`As a family reads level ${at + 1}.`)
  // The last is still being typed in when another part is opened.
  await page.getByRole('link', { name: 'Habits', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^Habits of/ })).toBeVisible()
  await page.getByRole('link', { name: 'Scales', exact: true }).click()
  await expect(sentences.last()).toHaveValue(`As a family reads level ${count}.`)
  await page.reload()
  await expect(sentences.last()).toHaveValue(`As a family reads level ${count}.`)
  for (let at = 0; at < count; at += 1)
    await expect(sentences.nth(at)).toHaveValue(`As a family reads level ${at + 1}.`)

  // A level that is begun has no symbol yet: it is said, and the page is not left over it.
  await marks.getByRole('button', { name: 'Add a level' }).click()
  await expect(marks.getByLabel(`Symbol of level ${count + 1}`)).toBeFocused()
  await expect(marks.getByRole('status')).toContainText('Not saved yet')
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.getByRole('link', { name: 'Habits', exact: true }).click()
  const asked = page.getByRole('dialog', { name: 'Not saved yet' })
  await expect(asked.getByRole('button', { name: 'Stay here' })).toBeFocused()
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/scales$/)
  // With its symbol, and a lowest percentage under the one above, it is saved by itself.
  await marks
    .getByLabel(/^Lowest percentage/)
    .nth(count - 1)
    .fill('10')
  await marks.getByLabel(`Symbol of level ${count + 1}`).fill('U')
  await marks.getByLabel(`Symbol of level ${count + 1}`).press('Tab')
  await expect(marks.getByRole('status')).not.toContainText('Not saved yet')
  await page.goBack()
  await page.goto(`${school.address}/school/scales`)
  await expect(marks.getByLabel(`Symbol of level ${count + 1}`)).toHaveValue('U')

  // Words that wait for a button are asked about too, and go when somebody says so.
  await page.goto(`${school.address}/school/habits`)
  await page.getByLabel('A new habit').fill('Taking care')
  await page.getByRole('link', { name: 'Your desk' }).click()
  await asked.getByRole('button', { name: 'Leave without it' }).click()
  await expect(page.getByRole('heading', { name: 'Your desk' })).toBeVisible()
})

test('a column that is typed down ends with its last child; a number that is clicked is replaced; half days', async ({
  page,
}) => {
  await page.goto(`${school.address}/settle`)
  await page.getByRole('tab', { name: 'Habits' }).click()
  const grid = page.getByRole('grid', { name: 'Habit scores' })
  await grid.getByRole('gridcell').first().click()
  const symbols = (await page.getByText(/^Type .*, then on$/).textContent())?.match(/[^\s,]+(?=,| then)/g) ?? []
  const [best = '', next = ''] = symbols
  for (const symbol of [best, best, best, next, next]) await page.keyboard.press(symbol)
  await expect(page.getByRole('status').filter({ hasText: 'changed nothing' })).toBeVisible()
  await expect(grid.getByRole('gridcell', { name: new RegExp(`^Omar, [^:]*: ${best} `) })).toHaveCount(1)
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press(next)
  await expect(grid.getByRole('gridcell', { name: new RegExp(`^Kit, [^:]*: ${next} `) })).toHaveCount(1)

  await page.goto(`${school.address}/gather`)
  await page.getByRole('tab', { name: 'Attendance' }).click()
  await page.getByLabel('The school was open on').fill('40')
  await page.getByRole('button', { name: 'Set for everybody' }).click()
  const absent = page.getByLabel('Maya: Absent, days')
  await expect(absent).toHaveValue('0')
  await absent.click()
  await page.keyboard.type('2.5')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Kit: Absent, days')).toBeFocused()
  await page.reload()
  await page.getByRole('tab', { name: 'Attendance' }).click()
  await expect(absent).toHaveValue('2.5')
})

test('work is added and typed into; findings are gone through and replace nothing; nothing finished is asked about', async ({
  page,
}) => {
  await page.goto(`${school.address}/gather`)
  await page.getByRole('button', { name: 'Add a piece of work' }).click()
  await page.getByLabel('A new piece of work').fill('Map quiz')
  await page.getByLabel('Out of').click()
  await page.keyboard.type('10')
  await page.getByRole('button', { name: 'Add it' }).click()
  // From there on the column is typed down, the first child first.
  await expect(page.getByRole('grid')).toBeFocused()
  for (const score of ['7', '8', '9']) {
    await page.keyboard.type(score)
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('gridcell', { name: /^Maya.*Map quiz.*7/ })).toBeVisible()
  await expect(page.getByRole('gridcell', { name: /^Omar.*Map quiz.*9/ })).toBeVisible()

  await page.goto(`${school.address}/write`)
  await page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Maya/ }).click()
  const text = page.getByRole('textbox', { name: /for Maya$/ })
  await text.fill('They done well.')
  // What is found comes a moment after what is typed.
  await expect(page.getByRole('heading', { name: /things to look at/ })).toBeVisible()
  const turnedTo = page.locator('li[aria-current="true"]')
  const seen = new Set<string>()
  for (let nth = 0; nth < 4; nth += 1) {
    await page.keyboard.press('Alt+n')
    await expect(turnedTo).toHaveCount(1)
    seen.add((await turnedTo.locator('b').textContent()) ?? '')
  }
  expect(seen.size).toBeGreaterThan(1)
  await expect(text).toHaveAccessibleDescription(/things? to look at/)
  // Wherever it is turned to, a letter never takes the place of the whole comment.
  await page.keyboard.type('x')
  expect((await text.inputValue()).length).toBeGreaterThan(8)

  await page.goto(`${school.address}/read`)
  const signOff = page.getByRole('region', { name: 'Sign-off' })
  await signOff.getByRole('button', { name: 'Sign off' }).click()
  await expect(signOff).toContainText(/This is not finished: none of \d+ comments finished/)
  expect(await lookedAt(page)).toEqual([[], 0])
})

test('a class that is pasted again is the same class; a column that is pasted into a cell goes down from there', async ({
  page,
}) => {
  await page.goto(`${school.address}/school/classes`)
  await page.getByRole('button', { name: /^7 Heron/ }).click()
  await page.getByText('A list of the class: more students, or changes').click()
  const list = page.getByRole('textbox', { name: 'A list of the class: more students, or changes' })
  const told = page.getByRole('status').filter({ hasText: 'as they are' })
  await list.fill('Reed\tMaya\nReed\tKit\nReed\tOmar')
  await expect(told).toContainText('0 students new, 0 changed, 3 as they are, 0 refused')
  await list.fill('Name\tPronouns\nMaya Reed\tshe/her\nKit Reed\tthey/them\nLumi Saarinen\tshe/her')
  await expect(told).toContainText('1 student new, 1 changed, 1 as they are')
  await expect(told).toContainText('given name “Lumi”, family name “Saarinen”')
  await expect(page.getByText('Maya Reed: pronouns they/them → she/her')).toBeVisible()
  await page.getByRole('button', { name: 'Take 2 students in' }).click()
  const pronouns = page.getByLabel(/^Pronouns of/)
  await expect(pronouns).toHaveCount(4)
  await expect(pronouns.first()).toHaveValue('she/her')
  expect(await lookedAt(page)).toEqual([[], 0])

  const paste = (text: string) =>
    pronouns.nth(1).evaluate((cell, words) => {
      const data = new DataTransfer()
      data.setData('text/plain', words)
      cell.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
    }, text)
  await paste('he/him\nhe/him\nhe/him\nhe/him')
  await expect(page.getByRole('alert')).toContainText('4 lines were pasted, and 3 children stand here and below')
  await paste('he/him\nhe/him')
  await expect(pronouns.nth(2)).toHaveValue('he/him')
  await page.reload()
  await page.getByRole('button', { name: /^7 Heron/ }).click()
  await expect(pronouns.nth(1)).toHaveValue('he/him')
  await expect(pronouns.nth(3)).toHaveValue('she/her')
})
