import type { Method } from '../../delivery/methods.ts';
import type { LayoutId } from './treeFacts.ts';

/** What a layout is, as the gardener is told it. Flows and spacings are common practice; when each suits is too. */
export interface LayoutFacts {
  label: string;
  method: Method;
  suits: string;
  /** What one piece gives, L/h, where its pieces and not the tap set the flow. */
  pieceLph?: number;
  /** Moved from spot to spot by hand, or all of it at once. */
  moved: boolean;
  piece: string;
}
export const LAYOUT_FACTS: Readonly<Record<LayoutId, LayoutFacts>> = {
  emitters: {
    label: 'emitters on a line',
    method: 'drip',
    suits: 'young trees and shrubs, on a timer',
    pieceLph: 3.8,
    moved: false,
    piece: 'emitters',
  },
  'micro-sprays': {
    label: 'micro-sprays',
    method: 'micro-spray',
    suits: 'wide rings on sand; keep the trunk out of the spray',
    pieceLph: 40,
    moved: false,
    piece: 'sprays',
  },
  'soaker ring': {
    label: 'soaker hose in a circle',
    method: 'soaker hose',
    suits: 'a ring under mulch, from one tap',
    moved: false,
    piece: 'rounds of hose',
  },
  'tube spiral': {
    label: 'emitter tube in a spiral',
    method: 'drip',
    suits: 'where the lawn goes: the whole ring at once',
    pieceLph: 2,
    moved: false,
    piece: 'emitters',
  },
  'bubbler stops': {
    label: 'hose or bubbler, moved round',
    method: 'bubbler',
    suits: 'big trees, tap half open',
    moved: true,
    piece: 'stops',
  },
  buckets: {
    label: 'buckets with a hole',
    method: 'slow bucket',
    suits: 'young trees far from a tap',
    moved: true,
    piece: 'buckets',
  },
  basin: {
    label: 'filling a basin',
    method: 'hose wand',
    suits: 'trees and shrubs of the first years',
    moved: false,
    piece: 'fills',
  },
  trickle: {
    label: 'hose left at a trickle',
    method: 'bubbler',
    suits: 'slopes and heavy soil',
    moved: true,
    piece: 'stops',
  },
};
