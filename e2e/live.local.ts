import http from 'node:http';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startDemo } from '@slate-path/demo/startDemo';
import { ApiClient } from '@slate-path/demo/apiClient';
import { openBrowser, openPage, says as says0, tap, type, textOf, sizes, control, openStudent } from './src/browser';
import { RestartableServer } from './src/server';
const [mode, port, now] = process.argv.slice(2);
let address = '';
if (mode === 'demo') {
  const r = await startDemo({ folder: fs.mkdtempSync(path.join(os.tmpdir(), 'live-')), port: 0, host: '127.0.0.1', pages: path.join(process.cwd(), 'app', 'dist'), fresh: true, fixedNow: now });
  address = r.address;
} else { const s = await RestartableServer.create(); await s.start(now, 'runs'); address = s.address; }
const browser = await openBrowser();
const pages: Record<string, any> = {};
let cur: any = null;
const ctx: any = {
  address, ApiClient, browser,
  async use(size: 'phone'|'wide') { if (!pages[size]) { pages[size] = await openPage(browser, size); await pages[size].goto(address, { waitUntil: 'networkidle2' }); } cur = pages[size]; await cur.bringToFront(); return cur; },
  get page() { return cur; },
  async go(p: string) { await cur.goto(address + p, { waitUntil: 'networkidle2' }); },
  t: (n: string) => tap(cur, n), ty: (l: string, x: string) => type(cur, l, x), s: (w: string) => says0(cur, w), st: (n: string) => openStudent(cur, n),
  txt: () => textOf(cur),
  names: () => cur.$$eval('[role=button],[role=link],[role=radio],[role=checkbox],button,a,input,textarea', (a: any[]) => a.filter(e => e.getBoundingClientRect().width > 0).map(e => e.getAttribute('aria-label') ?? e.textContent.trim())),
  async shot(name: string, dark = false) { await cur.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' }]); await new Promise(r => setTimeout(r, 600)); await cur.screenshot({ path: `/tmp/shots/${name}.png` }); return name; },
  wait: (ms: number) => new Promise(r => setTimeout(r, ms)),
};
http.createServer((q, a) => { let b = ''; q.on('data', d => b += d); q.on('end', async () => { try { const f = new Function('c', `with(c){return (async()=>{${b}})()}`); const r = await f(ctx); a.end(typeof r === 'string' ? r : JSON.stringify(r, null, 1) ?? 'ok'); } catch (e: any) { a.end('ERR ' + (e?.stack ?? e)); } }); }).listen(Number(port), () => console.log('live', address));
