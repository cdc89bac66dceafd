import { chromium } from '@playwright/test'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const who = process.argv[2], size = process.argv[3].split('x').map(Number), dark = process.argv[4] === 'dark'
const ctx = await b.newContext({ viewport: { width: size[0], height: size[1] }, baseURL: 'http://localhost:3700', serviceWorkers: process.env.SW ?? 'allow', colorScheme: dark ? 'dark':'light' })
if (who === 'learner') await ctx.request.post('/api/sign-in/station', { data: { classCode: 'salt-boathouse', firstName: process.env.NAME ?? 'Chidi' }, headers: { origin: 'http://localhost:3700' } })
else await ctx.request.post('/api/sign-in/sign-in/email', { data: { email: who + '@saltmarsh.example', password: 'saltmarsh-demo' }, headers: { origin: 'http://localhost:3700' } })
const page = await ctx.newPage()
page.on('console', (m) => { if (m.type() === 'error') console.log('console:', m.text()) })
page.on('pageerror', (e) => console.log('pageerror', e.message))
let n = 0
for (const arg of process.argv.slice(5)) {
  if (arg.startsWith('click:')) { await page.getByRole('button', { name: arg.slice(6) }).first().click(); await page.waitForTimeout(600); continue }
  if (arg.startsWith('link:')) { await page.getByRole('link', { name: arg.slice(5) }).first().click(); await page.waitForTimeout(1500); continue }
  if (arg.startsWith('tick:')) { await page.getByLabel(arg.slice(5)).first().click({force:true}); await page.waitForTimeout(600); continue }
  if (arg.startsWith('file:')) { const [, label, path] = arg.split(':'); await page.getByLabel(label).first().setInputFiles(path); await page.waitForTimeout(6000); continue }
  if (arg.startsWith('key:')) { await page.keyboard.press(arg.slice(4)); await page.waitForTimeout(700); continue }
  if (arg.startsWith('shot')) { const full = arg.startsWith('shotfull'); await page.screenshot({ path: `/tmp/shot-${arg.split('=')[1]}.png`, fullPage: full }); continue }
  await page.goto(arg, { waitUntil: 'load' }); await page.waitForTimeout(1500)
}
await b.close()
