import { PGlite } from '@electric-sql/pglite';
const proto = PGlite.prototype as any;
for (const m of ['execProtocolRawSync','execProtocolRaw']) { const old = proto[m]; if (!old) continue; proto[m] = function (...a: any[]) { const t = performance.now(); const r = old.apply(this, a); const d = performance.now() - t; if (d > 120) console.log('  SQL', m, d.toFixed(0), Buffer.from(a[0]).toString('latin1').replace(/[^ -~]+/g,' ').slice(0, 150)); return r; }; }
import { openEmbedded } from './src/lib/server/database.ts';
import { backupText } from './src/lib/server/backup.ts';
import { restore, lookOverAll } from './src/lib/server/restore.ts';
import { readBackup } from './src/lib/server/restore-reading.ts';
let last = performance.now(); let where = '';
setInterval(() => { const n = performance.now(); if (n - last > 150) console.log('  LOOP', where, (n - last).toFixed(0)); last = n; }, 10).unref();
import { copyFileSync, mkdtempSync } from 'node:fs';
const dir = mkdtempSync('/tmp/prof-'); copyFileSync('/tmp/big-FvoAb1/big.json', dir + '/b');
const { db, close } = await openEmbedded(dir + '/data');
async function t(n: string, f: () => Promise<unknown>) { where = n; const s = performance.now(); await f(); console.log(n, (performance.now() - s).toFixed(0)); }
where='read'; const s0 = performance.now(); let r: any;
const iv = setInterval(()=>0, 1000); r = await readBackup(dir + '/b', false); console.log('read', (performance.now()-s0).toFixed(0)); clearInterval(iv);
if (!r.index) console.log(r);
await t('restore', () => restore(db, { index: r.index, path: dir + '/b' }, 'replace'));
await t('backup', async () => { let n = 0; for await (const p of backupText(db)) n += p.length; console.log(n); });
await t('restore2', () => restore(db, { index: r.index, path: dir + '/b' }, 'replace'));
await t('merge', () => restore(db, { index: r.index, path: dir + '/b' }, 'merge'));
await t('look', () => lookOverAll(db));
import { search } from './src/lib/server/search.ts';
for (const q of ['evening','pier 13','C7 F7','I7 IV7','breathe before','zzz']) await t('search '+q, () => search(db, q));
import { notebook } from './src/lib/server/tunes.ts';
import { practisedCards, lastWeeks } from './src/lib/server/practice.ts';
import { listSets } from './src/lib/server/sets.ts';
await t('notebook', () => notebook(db)); await t('cards', () => practisedCards(db)); await t('sets', () => listSets(db)); await t('weeks', () => lastWeeks(db, new Date('2026-02-01')));
await close();
