import fs from 'node:fs';
import { createJob, withManager } from './tools/browser.mjs';
import { withDemoServer } from '../scripts/demo-server.mjs';
import { largeJob } from '/tmp/dev/p/large.mjs';
async function keystroke(quantity) {
  const field = document.querySelector('[data-path="order.quantity"]');
  field.focus(); field.value = String(quantity);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  await new Promise(r=>requestAnimationFrame(()=>setTimeout(r,0)));
}
await withDemoServer(async (address) => withManager(address, {}, async (page) => {
  const id = await createJob(page, { ...largeJob(20,120), number: 'BENCH' });
  await page.goto(`/jobs/${id}`); await page.locator('dk-stream svg').waitFor();
  for(let i=0;i<10;i++) await page.evaluate(keystroke, 3001+i);
  const c = await page.context().newCDPSession(page);
  await c.send('Profiler.enable'); await c.send('Profiler.setSamplingInterval',{interval:200}); await c.send('Profiler.start');
  const m0 = await c.send('Performance.enable').then(()=>c.send('Performance.getMetrics'));
  for(let i=0;i<30;i++){ await page.evaluate(keystroke, 4001+i); await page.waitForTimeout(30);} 
  const m1 = await c.send('Performance.getMetrics');
  const get=(m,n)=>m.metrics.find(x=>x.name===n).value;
  for(const n of ['ScriptDuration','LayoutDuration','RecalcStyleDuration','TaskDuration']) console.log(n, ((get(m1,n)-get(m0,n))*1000/30).toFixed(1),'ms each');
  const { profile } = await c.send('Profiler.stop');
  fs.writeFileSync('/tmp/dev/p/web.cpuprofile', JSON.stringify(profile));
}));
