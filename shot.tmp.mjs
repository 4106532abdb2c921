import { chromium } from 'playwright'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const p = await b.newPage({ viewport: { width: 1280, height: 800 } })
p.on('pageerror', (e) => console.log('ERR', e.message))
await p.goto('http://127.0.0.1:4173'); await p.getByLabel('Name').fill('ines'); await p.getByLabel('Password').fill('river-otter-lantern'); await p.getByRole('button', { name: 'Sign in' }).click(); await p.getByRole('heading', { name: 'Your desk' }).waitFor()
await p.goto('http://127.0.0.1:4173/gather'); await p.getByLabel('Subject', { exact: true }).selectOption('Mathematics'); await p.getByRole('tab', { name: 'Results' }).click(); await p.getByRole('button', { name: 'What if …' }).click(); await p.getByRole('form', { name: 'What if' }).getByLabel('Multiplication quiz').fill('25'); await p.waitForTimeout(600)
await p.screenshot({ path: '/tmp/a.png' })
await b.close()
