import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const repo = fileURLToPath(new URL('../../../', import.meta.url));

function violations(folders: readonly string[]): string[] {
  const cruiser = path.join(repo, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs');
  const args = [cruiser, '--config', '.dependency-cruiser.cjs', '--output-type', 'json', ...folders];
  const { stdout } = spawnSync(process.execPath, args, {
    cwd: repo,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  const { summary } = JSON.parse(stdout) as {
    summary: { violations: { rule: { name: string }; from: string; to: string }[] };
  };
  return summary.violations.map(({ rule, from, to }) => `${rule.name}: ${from} -> ${to}`);
}

describe('imports', () => {
  it('point one way', () => {
    expect(violations(['packages', 'apps/server/src', 'apps/web/src', 'e2e'])).toEqual([]);
  }, 60_000);

  it('have a rule from the drawing for every area of core, and none for what is none', () => {
    const { forbidden } = createRequire(import.meta.url)(path.join(repo, '.dependency-cruiser.cjs')) as {
      forbidden: { name: string }[];
    };
    const ruled = forbidden.flatMap(({ name }) => /^core-([\w-]+)-looks-down$/.exec(name)?.[1] ?? []);
    const folders = fs
      .readdirSync(path.join(repo, 'packages/core/src'), { withFileTypes: true })
      .flatMap((entry) => (entry.isDirectory() ? [entry.name] : []));
    expect(ruled.sort()).toEqual(folders.sort());
  });

  it('are refused where they point the other way', () => {
    const wrong = path.join(repo, 'packages/core/src/kernel/wrong-way.tmp.ts');
    fs.writeFileSync(
      wrong,
      "import { plan } from '../plan/plan.js';\nimport fs from 'node:fs';\nexport const both = [plan, fs];\n",
    );
    try {
      const found = violations(['packages/core/src']).map((text) => text.split(':')[0]);
      expect(found).toEqual(expect.arrayContaining(['core-is-pure', 'core-kernel-looks-down', 'core-areas-by-index']));
    } finally {
      fs.rmSync(wrong);
    }
  }, 60_000);
});
