/**
 * `npm run figures`: what takes longer than a test may, each with what it printed, its commit and its day, in
 * docs/figures.md. `npm run figures -- bands seasons` makes only those anew; the others stay as they are.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ask, prepare, root } from './prepare.mjs';

/** What is measured: what it is called, what it tells, how it is made, and how many of its last lines are kept. */
const FIGURES = {
  bands: [
    'How often the plan waters against how often growers do: 1,280 cases',
    ['npm', 'run', '-s', 'bands'],
    120,
  ],
  dual: ['What the plan loses by FAO-56’s own dual balance: 1,280 cases', ['npm', 'run', '-s', 'dual'], 30],
  seasons: ['Four real summers by every way of watering', ['npm', 'run', '-s', 'seasons'], 120],
  windows: [
    'How often the truth lies in the windows that are told',
    ['npm', 'run', '-s', 'bench', '--', 'windows'],
    40,
  ],
  climate: ['How near the climate of a place comes', ['npm', 'run', '-s', 'climate'], 20],
  year: ['A year of use, and whether memory comes to rest', ['npm', 'run', '-s', 'year'], 20],
  torture: [
    'The plug pulled 300 times in every phase',
    ['npm', 'run', '-s', 'torture', '--', '--kills', '300'],
    40,
  ],
  fuzz: ['Fifty thousand generated cases', ['npm', 'run', '-s', 'fuzz', '--', '--seed', '20261125'], 10],
};

const FILE = join(root, 'docs', 'figures.md');
const INTRO = `# Figures that take long to make

Made by \`npm run figures\` (all of them, in hours) or \`npm run figures -- bands windows\` (those named). An issue that
touches the engine makes them anew, and says which of them got worse and why. Each stands here as it was printed.
`;

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !(name in FIGURES));
if (unknown.length > 0) {
  console.error(
    `There is no figure called ${unknown.join(', ')}. There are: ${Object.keys(FIGURES).join(', ')}.`,
  );
  process.exit(1);
}

prepare();
const old = existsSync(FILE) ? readFileSync(FILE, 'utf8') : '';
/** A figure's part of the page as it stands; empty when it was never made. */
const standing = (name) => new RegExp(`\\n## ${name}\\n[^]*?(?=\\n## |$)`).exec(old)?.[0].trimEnd() ?? '';
const commit = ask('git', ['rev-parse', '--short', 'HEAD']).text.trim();
const changed = ask('git', ['status', '--porcelain', '--untracked-files=no']).text.trim() !== '';

let page = INTRO;
let failed = 0;
for (const [name, [words, command, lines]] of Object.entries(FIGURES)) {
  if (wanted.length > 0 && !wanted.includes(name)) {
    if (standing(name)) page += `${standing(name)}\n`;
    continue;
  }
  console.log(`${name} …`);
  const began = Date.now();
  const { ok, text } = ask(command[0], command.slice(1));
  const seconds = Math.round((Date.now() - began) / 1000);
  if (!ok) failed += 1;
  const printed = text
    .trimEnd()
    .split('\n')
    .filter((line) => !line.startsWith('npm '))
    .slice(-lines)
    .join('\n');
  const day = new Date().toISOString().slice(0, 10);
  page += `\n## ${name}\n\n${words}. ${day}, commit ${commit}${changed ? ' with changes' : ''}, ${seconds} s${ok ? '' : '; it failed'}.\n\n\`\`\`text\n${printed}\n\`\`\`\n`;
  writeFileSync(FILE, page);
}
writeFileSync(FILE, page);
process.exit(failed > 0 ? 1 : 0);
