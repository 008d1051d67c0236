import { PGlite } from '@electric-sql/pglite';
const p=await PGlite.create({dataDir:'/tmp/big-FvoAb1/data/pg', startParams:[...PGlite.defaultStartParams,'-c','shared_buffers=16MB']});
const rss=()=>(process.memoryUsage.rss()/1e6).toFixed(0);
console.log((await p.query("select setting, unit from pg_settings where name='shared_buffers'")).rows, rss());
const t=performance.now();
const ids=(await p.query('select id from take order by played_at')).rows.map(r=>r.id);
for(let i=0;i<ids.length;i+=60){const part=ids.slice(i,i+60);await p.query('select * from take where id = any($1)',[part]);await p.query('select * from take_change where take_id = any($1)',[part]);}
console.log('16MB', (performance.now()-t).toFixed(0),'ms rss', rss());
await p.close();
