import type { ReadingKind } from '../entries.ts';
import type { ReadingRule } from '../reading.ts';
import { bucket } from './bucket.ts';
import { cans } from './cans.ts';
import { dig } from './dig.ts';
import { drip } from './drip.ts';
import { dye } from './dye.ts';
import { feel } from './feel.ts';
import { filled } from './filled.ts';
import { hole } from './hole.ts';
import { jar } from './jar.ts';
import { organic } from './organic.ts';
import { pooling } from './pooling.ts';
import { pot } from './pot.ts';
import { site } from './site.ts';
import { slowBucket } from './slowBucket.ts';
import { soaker } from './soaker.ts';
import { spread } from './spread.ts';
import { told } from './told.ts';

/**
 * Every kind of reading, in the order in which they tell: those that rest on what others told come after them (a layout
 * on the soil, cans on area and flow, pooling on the rate). A new one is its own file and a line here.
 */
export const READINGS: { readonly [K in ReadingKind]: ReadingRule<K> } = {
  feel,
  jar,
  dig,
  filled,
  hole,
  pot,
  dye,
  site,
  organic,
  told,
  spread,
  drip,
  bucket,
  soaker,
  'slow-bucket': slowBucket,
  cans,
  pooling,
};
export const READING_KINDS = Object.keys(READINGS) as ReadingKind[];
