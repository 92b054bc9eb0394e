import { measureRepaint } from './tools/repaint.mjs';
import { withDemoServer } from '../scripts/demo-server.mjs';
import { largeJob } from '/tmp/dev/p/large.mjs';
await withDemoServer(async (address) => { for (const r of await measureRepaint(address, largeJob(20,120))) console.log(r.name, r.value.toFixed(1)); });
