import type { FindingKind, Method } from '@kibble/core';
import { bucketTestPage } from './BucketTest.tsx';
import { canTestPage } from './CanTest.tsx';
import { depthTest, lookTest } from './CheckTests.tsx';
import { digTest } from './DigTest.tsx';
import { dripDesign } from './DripDesign.tsx';
import { feelTest } from './FeelTest.tsx';
import { holeTestPage } from './HoleTest.tsx';
import { jarTestPage } from './JarTest.tsx';
import { poolingTestPage, slowBucketTest, soakerTestPage, spreadTest } from './LineTests.tsx';
import { dyeTest, potTest } from './PathTests.tsx';
import { amendedTest, filledTest, organicTest, siteTest } from './SiteTests.tsx';
import type { TestPage } from './types.ts';

/** Every guided test, in the order of the work. */
export const TEST_PAGES: readonly TestPage[] = [
  feelTest,
  jarTestPage,
  digTest,
  holeTestPage,
  potTest,
  dyeTest,
  siteTest,
  organicTest,
  filledTest,
  amendedTest,
  bucketTestPage,
  canTestPage,
  dripDesign,
  soakerTestPage,
  slowBucketTest,
  poolingTestPage,
  spreadTest,
  depthTest,
  lookTest,
];

export const testPage = (kind: string | undefined): TestPage | undefined =>
  TEST_PAGES.find((page) => page.kind === kind);

/** Tests that say something about each way of watering. */
export const TESTS_OF_METHOD: Readonly<Record<Method, readonly FindingKind[]>> = {
  sprinkler: ['bucket', 'cans', 'pooling'],
  'micro-spray': ['bucket', 'cans', 'pooling'],
  'hose wand': ['bucket', 'cans', 'pooling'],
  drip: ['drip', 'bucket', 'spread', 'pooling'],
  'gravity drip kit': ['drip', 'spread'],
  'soaker hose': ['soaker', 'bucket', 'spread', 'pooling'],
  bubbler: ['bucket', 'spread', 'pooling'],
  'slow bucket': ['slow-bucket', 'spread'],
  'watering can': ['bucket', 'pooling'],
};
