/** Acts of the garden that can hurt somebody. */
export const SAFETY_ACTS = [
  'hot work',
  'lifting',
  'digging',
  'open hole',
  'electricity',
  'backflow',
  'standing water',
  'saved water',
  'hose water',
  'acid',
  'blowing out',
  'wells',
  'ladders',
  'old trees',
  'restrictions',
] as const;
export type SafetyAct = (typeof SAFETY_ACTS)[number];

interface Safety {
  /** What is done, as a heading. */
  act: string;
  /** What to mind, in whole sentences. */
  text: string;
  /** Where the caution comes from. */
  source: string;
}

/**
 * What to mind with each act. A caution is shown where its act is, once, and defers to local codes and licensed trades.
 * Sources are named from memory; no caution gives a figure of its own where a local code or a maker gives one.
 */
export const SAFETY: Readonly<Record<SafetyAct, Safety>> = {
  'hot work': {
    act: 'Working in great heat',
    text: 'Take care of yourself in this heat: work early or late, drink often, wear a hat and rest in the shade. Stop if you feel dizzy, sick or confused; that is an emergency, so cool down and call for help.',
    source: 'Public-health advice for heat waves (WHO), from memory',
  },
  lifting: {
    act: 'Lifting pots, cans and buckets',
    text: 'Do not lift a heavy pot or bucket alone. Use a trolley or a second person, lift with your knees, and brace anything that stands above the ground.',
    source: 'Manual-handling guidance of workplace safety authorities, from memory',
  },
  digging: {
    act: 'Digging, and moving lines or stakes',
    text: 'Before you dig or drive in a stake, find out where cables and pipes lie. Your utilities or a local call-before-you-dig service can tell you.',
    source: 'Common practice of utilities',
  },
  'open hole': {
    act: 'Leaving a hole open',
    text: 'Cover an open hole when you leave it: people and animals step into it.',
    source: 'Common practice',
  },
  electricity: {
    act: 'Electric pumps and timers',
    text: 'Keep plugs and joints dry and use an outlet with a residual-current (ground-fault) breaker. Fixed wiring outdoors is work for a licensed electrician, by the local code.',
    source: 'Common to wiring codes, from memory',
  },
  backflow: {
    act: 'A hose end in water, feeders, and drip kits on the mains',
    text: 'Water can be drawn back into the drinking supply. Keep hose ends above the water in cans and tubs, and fit the backflow preventer that your local plumbing code asks for; a licensed plumber knows which.',
    source: 'Common to plumbing codes, from memory',
  },
  'standing water': {
    act: 'Buckets, barrels, baths and basins',
    text: 'A small child can drown in very little water. Cover barrels, and empty buckets, baths and basins as soon as they have done their work; lids keep mosquitoes out as well.',
    source: 'Child-safety and public-health advice, from memory',
  },
  'saved water': {
    act: 'Water from roofs, barrels and the house',
    text: 'Do not drink it, and keep it off leaves and fruit that are eaten raw. Whether and how rain or household water may be used is a matter of local rules.',
    source: 'Public-health advice, from memory',
  },
  'hose water': {
    act: 'The first water from a hose',
    text: 'Run the hose before you use it: water left in it in the sun can scald, and stale water carries germs. Do not breathe in the mist.',
    source: 'Public-health advice on legionella and scalds, from memory',
  },
  acid: {
    act: 'Acidifying water',
    text: 'Pour acid into water, never water into acid. Keep it away from bleach and every other cleaner: together they give off a gas that kills. Wear gloves and eye protection, and measure the pH again before you use the water.',
    source: 'Household chemical safety, from memory',
  },
  'blowing out': {
    act: 'Blowing lines out with air',
    text: 'Compressed air throws parts and grit. Wear eye protection, keep the pressure below what the maker of your lines allows, and never stand over a fitting.',
    source: 'Common practice of irrigation trades',
  },
  wells: {
    act: 'Wells, streams and ponds',
    text: 'Sinking a well, or drawing water from a well, a stream or a pond, may need a permit. Ask your water authority first.',
    source: 'Common to water laws, from memory',
  },
  ladders: {
    act: 'Watering above your head',
    text: 'Stand a ladder on firm, level ground and do not reach out from it. A long lance or a pulley waters a hanging pot from the ground.',
    source: 'Ladder guidance of workplace safety authorities, from memory',
  },
  'old trees': {
    act: 'Large trees with dead limbs',
    text: 'Keep away from a large, dry tree in a storm. Dead limbs are work for a qualified arborist.',
    source: 'Common practice',
  },
  restrictions: {
    act: 'Restrictions on watering',
    text: 'Rules on when and how you may water are local and change. Your water company’s word counts, not Kibble’s.',
    source: 'Common practice',
  },
};

/** A pot or bucket of so many kilograms is not lifted alone, kg. From memory of manual-handling guidance: from about 16 kg on for many people. */
export const HEAVY_KG = 16;

/** The whole table as a page for the documentation. */
export function safetyPage(): string {
  const parts = SAFETY_ACTS.map((act) => {
    const { act: what, text, source } = SAFETY[act];
    return `## ${what}\n\n${text}\n\n_${source}._\n`;
  });
  return `# Cautions

Where the work can hurt somebody, Kibble says so on the screen on which the act is, once and plainly, and defers to local codes
and licensed trades. This page is made from \`core/src/care/safety.ts\`, and \`e2e/cautions.spec.ts\` holds that each act shows its own.

${parts.join('\n')}`;
}
