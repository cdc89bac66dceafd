import { chromium } from '@playwright/test'
import fs from 'node:fs'
const [exe,pid,block]=process.argv.slice(2)
const b=await chromium.launch({executablePath:exe})
const base='http://localhost:3700'
const c=await b.newContext({viewport:{width:1280,height:800},reducedMotion:'reduce',serviceWorkers:'block'})
await c.request.post(base+'/api/sign-in/sign-in/email',{data:{email:'coordinator@saltmarsh.example',password:'saltmarsh-demo'},headers:{origin:base}})
const p=await c.newPage()
if(block==='1') await p.route('**/*_rsc=*', r=>r.abort())
const cpu=()=>{const s=fs.readFileSync(`/proc/${pid}/stat`,'utf8'); const f=s.slice(s.lastIndexOf(')')+2).split(' '); return (Number(f[11])+Number(f[12]))*10}
for (const path of ['/room','/room/now','/kits','/stores','/room','/room/now','/kits','/stores']) {
  const a=cpu(), t=performance.now(); for(let i=0;i<4;i++){ await p.goto(base+path); await p.locator('html[data-listening]').waitFor({state:'attached'}); await p.waitForTimeout(1200) }
  console.log(path, 'server cpu ms per view', (cpu()-a)/4, Math.round((performance.now()-t)/4-1200))
}
await b.close()
