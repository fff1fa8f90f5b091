import { DRY_TO_MM } from './dryTo.ts';
import { TEXTURES } from '../soil/soils.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { within } from '../units/guard.ts';
import type { LookState, LookTool } from '../readings/entries.ts';

export interface LookVerdict {
  verdict: 'water' | 'wait' | 'too wet' | 'look deeper';
  caveats: ('sand never rolls' | 'a finger knows only the top' | 'mulch was in the way')[];
}

/** Roots deeper than this drink where no finger reaches. Judgement. */
const DEEP_ROOTS_MM = 200;
const SANDY_PCT = 70;

/**
 * What a look into the ground asks for.
 * @param options tool, depth looked at mm (5–1500), what was found there, texture, depth of the roots mm, mulch moved aside first
 * @throws RangeError on a depth outside its range
 * Source: common practice: dry to 75 mm under a trowel is water; a core that crumbles is water, one that rolls is left, a sticky one has too much.
 */
export function lookCheck(options: {
  tool: LookTool;
  depthMm: number;
  state: LookState;
  textureClass: TextureClass;
  rootDepthMm: number;
  mulched: boolean;
  mulchMoved: boolean;
}): LookVerdict {
  const depth = within('depthMm', options.depthMm, 5, 1500, 'mm');
  const caveats: LookVerdict['caveats'] = [];
  if (options.tool === 'core' && TEXTURES[options.textureClass].sandPct >= SANDY_PCT)
    caveats.push('sand never rolls');
  if (options.mulched && !options.mulchMoved) caveats.push('mulch was in the way');
  const shallow = depth < DRY_TO_MM;
  if (options.tool === 'finger' && options.rootDepthMm > DEEP_ROOTS_MM)
    caveats.push('a finger knows only the top');
  if (options.state === 'wet') return { verdict: 'too wet', caveats };
  if (options.state === 'damp') return { verdict: 'wait', caveats };
  return { verdict: shallow && options.rootDepthMm > DEEP_ROOTS_MM ? 'look deeper' : 'water', caveats };
}
