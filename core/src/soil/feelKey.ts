import { OutOfRange } from '../units/guard.ts';
import type { TextureClass } from './textureClass.ts';

/** Answers to the feel test, in the order it asks. */
export interface FeelAnswers {
  /** Squeezed moist soil stays in a ball. */
  ball: boolean;
  /** Pressed between thumb and finger it makes a ribbon. */
  ribbon: boolean;
  /** How long the ribbon gets before it breaks. */
  ribbonLength?: 'under 25 mm' | '25 to 50 mm' | 'over 50 mm';
  /** A pinch rubbed very wet in the palm. */
  rub: 'gritty' | 'smooth' | 'neither';
}

type RibbonLength = NonNullable<FeelAnswers['ribbonLength']>;

const BY_RIBBON: Readonly<Record<RibbonLength, Readonly<Record<FeelAnswers['rub'], TextureClass>>>> = {
  'under 25 mm': { gritty: 'sandy loam', smooth: 'silt loam', neither: 'loam' },
  '25 to 50 mm': { gritty: 'sandy clay loam', smooth: 'silty clay loam', neither: 'clay loam' },
  'over 50 mm': { gritty: 'sandy clay', smooth: 'silty clay', neither: 'clay' },
};

/**
 * Texture class from the feel test.
 * @throws RangeError when there is a ribbon but no length for it
 * Source: the texture-by-feel flow chart (Thien 1979, J. Agron. Educ. 8:54–55), from memory.
 */
export function feelKey(answers: FeelAnswers): TextureClass {
  if (!answers.ball) return 'sand';
  if (!answers.ribbon) return 'loamy sand';
  const length = answers.ribbonLength;
  if (length === undefined || !BY_RIBBON[length]) {
    throw new OutOfRange(
      'ribbonLength',
      `be one of ${Object.keys(BY_RIBBON).join(', ')} when the soil makes a ribbon`,
      length,
    );
  }
  return BY_RIBBON[length][answers.rub];
}
