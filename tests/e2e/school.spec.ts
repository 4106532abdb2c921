import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { zipSync } from 'fflate'
import { lookedAt } from './lookedAt'
import { signIn } from './signedIn'

test('the coordinator takes a colleague in, who chooses a password and finds the own class', async ({
  page,
  browser,
}) => {
  await signIn(page, 'philippa')
  await page.getByRole('link', { name: 'School' }).click()
  await page.getByLabel('Given name').fill('Siân')
  await page.getByLabel('Family name').fill('Ó Briain')
  await expect(page.getByLabel('Signs in as')).toHaveValue('sian.obriain')
  await page.getByRole('button', { name: 'Take in and make a link' }).click()
  const row = page.getByRole('row', { name: /Siân Ó Briain/ })
  await expect(row.getByText(/has a link until/)).toBeVisible()
  const link = await row.getByLabel(/Hand Siân this link/).inputValue()
  await row.getByLabel('A class or subject for Siân Ó Briain').selectOption('6 Rowan: Art')
  await row.getByRole('button', { name: 'Give it to Siân' }).click()
  await expect(row.getByText('6 Rowan: Art', { exact: false }).first()).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])

  const fresh = await browser.newContext({ baseURL: new URL(page.url()).origin })
  const theirs = await fresh.newPage()
  await theirs.goto(link)
  await expect(theirs.getByRole('heading', { name: 'Welcome, Siân' })).toBeVisible()
  expect(await lookedAt(theirs)).toEqual([[], 0])
  await theirs.getByLabel('Password').fill('sianobriain2026')
  await theirs.getByRole('button', { name: 'Choose this password' }).click()
  await expect(theirs.getByRole('alert')).toContainText('mostly a name')
  await theirs.getByLabel('Password').fill('a kettle of purple rain')
  await theirs.getByRole('button', { name: 'Choose this password' }).click()
  await expect(theirs.getByRole('heading', { name: 'Your desk' })).toBeVisible()
  await expect(theirs.getByRole('region', { name: '6 Rowan' })).toContainText('Art')
  await theirs.goto(link)
  await expect(theirs.getByRole('alert')).toContainText('has been used')
  await theirs.goto('/school')
  await expect(theirs.getByRole('alert')).toContainText('You may not see the staff')

  await page.getByRole('button', { name: 'Switch off Siân Ó Briain' }).click()
  await expect(row.getByText('switched off')).toBeVisible()
  await theirs.goto('/')
  await expect(theirs.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(row.getByText('has a password')).toBeVisible()
  await fresh.close()
})

test('a child’s contacts, class and data are looked after, by keyboard too', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/school/classes')
  await page.getByRole('button', { name: 'more about Niamh Castellanos' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Name').fill('Bláthnaid Ní Dhomhnaill')
  await sheet.getByLabel('Is to the child').fill('grandmother')
  await sheet.getByLabel('Language').fill('qq')
  await sheet.getByRole('button', { name: 'Add contact' }).click()
  await expect(sheet.getByRole('alert')).toContainText('Write a language as a tag')
  await sheet.getByLabel('Language').fill('ga')
  await sheet.getByRole('button', { name: 'Add contact' }).click()
  const contact = sheet.getByRole('group', { name: 'Bláthnaid Ní Dhomhnaill' })
  await contact.getByLabel('Household').fill('2')
  await contact.getByLabel('Household').press('Tab')
  await sheet.getByText(/^Who opened it/).click()
  const saved = page.waitForEvent('download')
  await sheet.getByRole('link', { name: 'Save all that is kept' }).click()
  expect((await saved).suggestedFilename()).toMatch(/^\d+\.json$/)
  await sheet.getByText('Erase this child').click()
  await sheet.getByLabel('Why').fill('a try')
  await sheet.getByLabel('Its school number').fill('1')
  await sheet.getByRole('button', { name: 'Erase for good' }).click()
  await expect(sheet.getByRole('alert')).toContainText('Nothing was erased')
  expect(await lookedAt(page)).toEqual([[], 0])
  await contact.getByRole('button', { name: 'take away' }).click()
  await expect(contact).toBeHidden()
  await sheet.getByLabel('Last day here').fill('2026-12-31')
  await sheet.getByRole('combobox', { name: 'Then' }).selectOption('is in 6 Rowan')
  await sheet.getByRole('button', { name: 'Changes class' }).click()
  await expect(sheet.getByText('Until 31 December 2026')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByText('until 31 December 2026')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('until 31 December 2026')).toBeHidden()
  await page.getByRole('button', { name: 'more about Niamh Castellanos' }).click()
  await sheet.getByRole('button', { name: 'Was never in this class' }).click()
  await expect(sheet).toBeHidden()
  await expect(page.getByRole('button', { name: 'more about Niamh Castellanos' })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'more about Niamh Castellanos' })).toBeVisible()

  await page.getByRole('link', { name: 'Families’ data' }).click()
  await expect(page.getByRole('table', { name: 'Who may see what of a class' })).toContainText('changes')
  expect(await lookedAt(page)).toEqual([[], 0])
})

test('from a colleague’s set-up the year can have what it lacks, and undo takes it back', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/school/folder')
  const files = readdirSync('beginnings/middle').map(
    (file) => [file, readFileSync(`beginnings/middle/${file}`)] as const,
  )
  const buffer = Buffer.from(zipSync(Object.fromEntries(files.map(([file, bytes]) => [file, new Uint8Array(bytes)]))))
  await page.getByLabel('Choose a folder').setInputFiles({ name: 'theirs.zip', mimeType: 'application/zip', buffer })
  await expect(page.getByText(/things are here already and stay/)).toBeVisible()
  await page.getByLabel(/bring English along/).check()
  await page.getByText('What comes in').click()
  await expect(page.getByText('Subject: English')).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.getByRole('button', { name: /^Take this into/ }).click()
  await expect(page.getByText(/1 subject, \d+ skills.* came in/)).toBeVisible()
  await expect(page.getByText(/^Nothing new\./)).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/^New: 1 subject, /)).toBeVisible()

  await page.goto('/school/subjects')
  await expect(page.getByRole('button', { name: 'English' })).toBeHidden()
  await page.getByRole('button', { name: 'Mathematics', exact: true }).click()
  await page.getByText(/Strands: /).click()
  await page.getByLabel('Name of the strand Number').fill('Numbers')
  await page.getByLabel('Name of the strand Number').press('Tab')
  await expect(page.getByText(/Strands: Numbers, /)).toBeVisible()
  await expect(page.getByLabel('Strand', { exact: true }).first()).toHaveValue('Numbers')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/Strands: Number, /)).toBeVisible()
})

test('lists of colleagues, skills and contacts come in by one door, told before anything is done', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/school')
  const open = async (title: string, text: string) => {
    const door = page.locator('details').filter({ hasText: title })
    await door.getByText(title, { exact: true }).click()
    await door.getByLabel(title, { exact: true }).fill(text)
    return door
  }
  const people = await open(
    'A list of colleagues',
    'Name\tRole\tHat\nAdaeze Obi\tcoordinator\tred\nBo Li\thead\nInes Calloway\t',
  )
  await expect(people.getByRole('status')).toContainText('1 colleague new, 0 changed, 1 as they are, 1 refused')
  await expect(people.getByRole('status')).toContainText('Hat')
  await expect(people.getByText('Row 3: “head” is neither teacher nor coordinator.')).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
  await people.getByRole('button', { name: 'Take 1 colleague in' }).click()
  await expect(page.getByRole('row', { name: /Adaeze Obi/ })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('row', { name: /Adaeze Obi/ })).toBeHidden()

  await page.goto('/school/subjects')
  const skills = await open('A list of skills', '')
  await skills.locator('input[type=file]').setInputFiles({
    name: 'skills.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Subject;Strand;Skill\nMathematics;Number;Doubles and halves\nLatin;Verbs;Declines\n'),
  })
  await expect(skills.getByRole('status')).toContainText('no subject “Latin”: 1 row is left out')
  await skills.getByRole('button', { name: 'Take 1 skill in' }).click()
  await expect(skills.getByRole('button', { name: 'Take 1 skill in' })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()

  await page.goto('/school/classes')
  const contacts = await open(
    'A list of contacts',
    'Student\tContact\tLanguage\nFinn Aaltonen\tMerja Aaltonen\tfi\nJonas\tPetra\tzz',
  )
  await expect(contacts.getByText(/Row 3: “Jonas” could be Jonas Petrescu or Jonas Vestergaard/)).toBeVisible()
  await contacts.getByRole('button', { name: 'Take 1 contact in' }).click()
  await expect(contacts.getByRole('button', { name: 'Take 1 contact in' })).toBeHidden()
  await contacts
    .getByLabel('A list of contacts', { exact: true })
    .fill('Student\tContact\nFinn Aaltonen\tMerja Aaltonen')
  await expect(contacts.getByRole('button', { name: 'Nothing in it is new' })).toBeDisabled()
  await page.getByRole('button', { name: 'Undo' }).click()
})

test('other rules for marks say what they would do before they are kept, and a term says what is due', async ({
  page,
}) => {
  await signIn(page, 'philippa')
  await page.goto('/school/report')
  await page.getByLabel('Missing work').selectOption({ index: 1 })
  await expect(page.getByText(/In 5 Juniper, \d+ of \d+ proposed marks would be others/)).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.getByRole('button', { name: 'Keep these rules' }).click()
  await expect(page.getByRole('button', { name: 'Keep these rules' })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()

  await page.goto('/school/terms')
  const due = page.getByLabel('Progress reports due of Winter term')
  await due.fill(await page.getByLabel('Comments due of Winter term').inputValue())
  await due.press('Tab')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.getByRole('link', { name: 'Your desk' }).click()
  await expect(page.getByText(/progress reports are due on/)).toBeVisible()
  await page.goto('/school/terms')
  await due.fill('')
  await due.press('Tab')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible()
})
