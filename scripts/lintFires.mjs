/**
 * Proves that the rule against import circles fires: two files that import each other are found, by the very settings
 * that the whole project is linted with. The rule was once set up in a way that found nothing.
 */
import { ESLint } from 'eslint';
import tseslint from 'typescript-eslint';
import { noCircle } from '../eslint.config.mjs';
import { root } from './prepare.mjs';

const lint = new ESLint({
  cwd: root,
  overrideConfigFile: true,
  overrideConfig: [{ ...noCircle, files: ['**/*.ts'], languageOptions: { parser: tseslint.parser } }],
});
const results = await lint.lintFiles(['scripts/fixtures/circle/*.ts']);
const found = results.filter(({ messages }) => messages.some(({ ruleId }) => ruleId === 'import-x/no-cycle'));
if (found.length !== 2) {
  console.error(`The rule against import circles found ${found.length} of the 2 files of a circle.`);
  process.exit(1);
}
