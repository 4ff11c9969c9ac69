import { chromium } from '@playwright/test';
const [,, who, pin, ...paths] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell' });
const ctx = await b.newContext({ viewport: { width: +(process.env.W||1280), height: +(process.env.H||800) } });
const p = await ctx.newPage();
const base = process.env.BASE || 'http://127.0.0.1:4180';
p.on('pageerror', e => console.log('PAGEERROR', e.message));
p.on('console', m => m.type()==='error' && console.log('CONSOLE', m.text()));
if (who !== '-') {
await p.request.post(base + '/api/v1/session', { data: { handle: who, secret: pin } });
}
const get=async n=>{const r=await (await p.request.get(base+'/api/v1/jobs?search='+n)).json(); return [...(r.open??[]),...(r.signed??[]),...(r.jobs??[])].find(j=>j.number===n)?.id}

for (const path of paths) {
  let [url, name, act] = path.split('::');
  const m=/\{(\d{4}-\d{4})\}/.exec(url); if(m) url=url.replace(m[0], await get(m[1]));
  await p.goto(base + url); await p.waitForSelector('html[data-ready]'); await p.waitForLoadState('networkidle').catch(()=>{});
  if (act) { await eval(`(async()=>{${act}})()`); await p.waitForTimeout(400);} 
  await p.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: !!process.env.FULL });
}
await b.close();
