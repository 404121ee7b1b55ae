// `npm test`: everything that has to hold, from a machine with only Node and npm.
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

import { build } from './build.mjs';
import { bin, installForTests, installPackages, root, run } from './lib.mjs';

const unitReport = join(root, 'test-results', 'unit.json');
const browserReport = join(root, 'test-results', 'browser.json');

installPackages();
installForTests();
run(bin('prettier'), ['--check', '--log-level', 'warn', '.']);
run(bin('eslint'), ['.', '--max-warnings', '0']);
for (const project of ['tsconfig.json', 'src/core/tsconfig.json', 'tsconfig.node.json'])
  run(bin('tsc'), ['-p', project]);
mkdirSync(join(root, 'test-results'), { recursive: true });
run(bin('jest'), ['--json', `--outputFile=${unitReport}`]);
await build();
run(bin('playwright'), ['test'], { env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: browserReport } });

const unit = JSON.parse(readFileSync(unitReport, 'utf8'));
const { stats } = JSON.parse(readFileSync(browserReport, 'utf8'));
const passed = unit.numPassedTests + stats.expected + stats.flaky;
const failed = unit.numFailedTests + stats.unexpected;
console.log(
  `\nFormat, lint and types hold; ${unit.numPassedTests} unit and ${stats.expected} browser tests.`,
);
if (stats.flaky > 0) console.log(`${stats.flaky} browser tests passed at the second try only.`);
console.log(`${passed} passed, ${failed} failed`);
