import type { CropEntry } from '../plants/types.ts';

/** What to mind with a crop, in the order it matters. Common practice, by the traits of the catalogue. */
const CAUTIONS: readonly { fits: (crop: CropEntry) => boolean; text: string }[] = [
  {
    fits: (c) => c.traits.foliageDiseaseProne,
    text: 'Keep its leaves dry, above all in the evening: wet leaves make it ill.',
  },
  {
    fits: (c) => c.traits.splits,
    text: 'Fruit splits when water comes in a rush after a dry time: keep the supply even.',
  },
  {
    fits: (c) => c.traits.blossomEndRot,
    text: 'Dry and wet by turns gives blossom-end rot: keep the supply even while fruit swells.',
  },
  { fits: (c) => c.traits.boltsWhenDry, text: 'Runs to seed when it goes dry: never let it wait for water.' },
  {
    fits: (c) => c.traits.dislikesWetFeet,
    text: 'Roots rot in ground that stays wet: leave it rather than water it twice.',
  },
  { fits: (c) => c.traits.likesAcidWater, text: 'Prefers rainwater: hard tap water slowly yellows it.' },
  {
    fits: (c) => c.group === 'cacti and succulents',
    text: 'Soak, then let it dry right out; hardly any water in winter.',
  },
  { fits: (c) => c.frost === 'tender', text: 'Frost kills it: its season of water ends there.' },
];

/** Cautions about a crop, and about the way in which it is watered where the two do not go together. */
export const cropCautions = (crop: CropEntry, { fromAbove = false } = {}): string[] => [
  ...(fromAbove && crop.traits.foliageDiseaseProne
    ? [
        'It is watered from above, and wet leaves make it ill. A drip line, a soaker hose or a hose at its foot would keep them dry; until then water it early in the morning only.',
      ]
    : []),
  ...CAUTIONS.filter((c) => c.fits(crop)).map((c) => c.text),
];
