import { chromium } from '@playwright/test'
// usage: node shot.mjs out.png path [theme] [width] [height] -- js steps file
const [out, path, theme='light', w='1280', h='800', steps] = process.argv.slice(2)
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-quic','--disable-background-networking','--no-first-run'] })
const p = await b.newPage({ viewport: { width: +w, height: +h } })
p.on('console', m => { if (['error','warning'].includes(m.type())) console.log(m.type(), m.text().slice(0,400)) }); p.on('pageerror', e => console.log('pageerror', e.message, e.stack?.slice(0,600)))
await p.addInitScript(t => localStorage.setItem('wire-step/theme', t), theme)
const base = process.env.BASE ?? 'http://127.0.0.1:3111'
const id = (await (await fetch(base + '/api/rigs')).json()).rigs[0]?.id
await p.goto(base + path.replace(':id', id)); await p.waitForTimeout(1200)
if (steps) { const f = new Function('p', `return (async () => { ${steps} })()`); await f(p); await p.waitForTimeout(500) }
await p.screenshot({ path: out }); await b.close()
