import { chromium } from 'playwright-core';
import { readFileSync } from 'node:fs';
const base = /http:\/\/127[^\s]*\d/.exec(readFileSync('/tmp/demo.log','utf8'))[0];
const [,, path, out, w='1280', h='800', ...acts] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args:['--no-sandbox'] });
const page = await b.newPage({ viewport: { width: +w, height: +h } });
page.on('console', m => { if (m.type()==='error') console.log('ERR', m.text()); });
page.on('pageerror', e => console.log('PAGEERR', e.message));
let p = path;
if (p.includes('{load}')) { const st = (await (await fetch(base+'/api/studios')).json())[0].id; const l = await (await fetch(`${base}/api/studios/${st}/loads`)).json(); p = p.replace('{load}', l[0].id); }
await page.goto(base + p); await page.waitForTimeout(2500);
for (const a of acts) { await eval(`(async()=>{${a}})()`); await page.waitForTimeout(900); }
await page.screenshot({ path: out, fullPage: out.includes('full') });
console.log(await page.title());
await b.close();
