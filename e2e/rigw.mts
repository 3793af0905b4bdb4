import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startDemo } from '@slate-path/demo/startDemo';
import { ApiClient } from '@slate-path/demo/apiClient';
const running = await startDemo({ folder: fs.mkdtempSync(path.join(os.tmpdir(), 'slate-look-')), port: 0, host: '127.0.0.1', pages: path.join(process.cwd(), 'app', 'dist'), fresh: true, fixedNow: process.env.NOW ?? '2026-11-26T10:10:00Z' });
const client = await ApiClient.signIn(running.address, '/api/demo-sign-in', {});
for (let k = 0; k < 20; k++) { const w: any = await client.get('/api/watch'); const items = w.sections.flatMap((s: any) => s.items ?? []); if (k === 19 || items.length > 8) { for (const i of items) console.log(i.concern, i.since, i.sentence); break; } await new Promise(r => setTimeout(r, 1000)); if (k === 0) console.log(Object.keys(w)); }
await running.stop(); process.exit(0);
