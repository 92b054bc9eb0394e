// What the pool loads in each thread. It loads by require, and a thread that is ended while require takes in a module
// takes the whole process with it (Node 20: IsGraphAsync of a module that is not instantiated): so the module is imported.
const loading = import('../http/tongue.js').then(({ speakOnly }) => {
  speakOnly(process.argv[2] ?? '');
  return import('./worker.js');
});

/** Runs in a thread of the pool. @param order of what `worker` takes */
async function work(order: Parameters<Awaited<typeof loading>['default']>[0]): Promise<unknown> {
  const { default: perform } = await loading;
  return perform(order);
}

export = work;
