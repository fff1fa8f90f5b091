/** A word Kibble uses: plain on the surface, the field's own term beside it, and what it means. */
export interface Word {
  id: string;
  /** What Kibble calls it. */
  plain: string;
  /** What textbooks and dealers call it. */
  term: string;
  says: string;
  /** Labels of a working that mean it. */
  labels?: readonly string[];
}

/** Every word that may need one. Figures are usual ones; a bed's own stand on its page. */
export const GLOSSARY = [
  {
    id: 'barrier',
    plain: 'what drains below',
    term: 'drainage, percolation',
    says: 'How fast water leaves under the roots. Slow drainage keeps roots without air; fast drainage wastes what was given too deep.',
    labels: ['Drainage'],
  },
  {
    id: 'drink',
    plain: 'what the plants drink',
    term: 'transpiration',
    says: 'Water that goes through the plants into the air. It falls when they are short, and growth with it.',
    labels: ['The plants drink', 'Its use today', 'Use today'],
  },
  {
    id: 'drying',
    plain: 'what dries from the soil',
    term: 'evaporation',
    says: 'Water that leaves from the bare, damp top of the ground and helps no plant. Mulch keeps most of it.',
    labels: ['Dries from the soil'],
  },
  {
    id: 'evenness',
    plain: 'evenness of the driest quarter',
    term: 'distribution uniformity of the low quarter',
    says: 'What the driest quarter of a bed gets, as a share of the mean. 85 % is good for a sprinkler, under 60 % leaves dry corners.',
    labels: ['Evenness of the driest quarter', 'Share that evens out'],
  },
  {
    id: 'evenness overall',
    plain: 'evenness overall',
    term: 'Christiansen’s coefficient of uniformity',
    says: 'How far the cans differ from their mean, all of them counted alike. It forgives a dry corner more than the driest quarter does.',
  },
  {
    id: 'full',
    plain: 'full',
    term: 'field capacity',
    says: 'What the ground still holds a day or two after a soaking, when the rest has drained off.',
    labels: ['Full', 'It can hold'],
  },
  {
    id: 'goal',
    plain: 'goal',
    term: 'deficit irrigation level',
    says: 'How much growth a bed may lose for want of water: none to speak of for a show bed, a little for a thrifty one.',
    labels: ['What its goal lets it lose'],
  },
  {
    id: 'gone',
    plain: 'gone',
    term: 'root-zone depletion',
    says: 'Water that has left the ground round the roots since it was full, as a depth over the bed: 10 mm are 10 L on each square metre.',
    labels: ['Gone this morning', 'Depth to fill the root zone', 'Now'],
  },
  {
    id: 'growth lost',
    plain: 'growth lost',
    term: 'yield response to water (Ky)',
    says: 'What a crop makes less of for each day it drinks less than it wants; flowers and young fruit lose most.',
  },
  {
    id: 'reach',
    plain: 'within easy reach',
    term: 'readily available water',
    says: 'What the plants can take from the ground before they slow down; about half of all it holds for them, more on cool days, less in heat.',
    labels: ['The root zone can spare', 'Share that may go'],
  },
  {
    id: 'reaches the soil',
    plain: 'share that reaches the soil',
    term: 'application efficiency',
    says: 'Of the water that leaves the tap, what comes down on the bed: wind, sun and splashing take the rest.',
    labels: ['Share that reaches the soil', 'Litres through the tap'],
  },
  {
    id: 'root zone',
    plain: 'round the roots',
    term: 'root zone',
    says: 'The ground as deep as roots are counted on. What sinks past it helps nobody.',
  },
  {
    id: 'runs off',
    plain: 'runs off',
    term: 'surface runoff',
    says: 'Water that comes faster than the ground takes it and leaves over the surface.',
  },
  {
    id: 'settling in',
    plain: 'settling in',
    term: 'establishment',
    says: 'The weeks after sowing or planting, while roots are short: little water, often, close to the plant.',
  },
  {
    id: 'soaks in',
    plain: 'soaks in',
    term: 'infiltration rate',
    says: 'How fast the ground takes water once it is damp. What comes faster stands and runs off; then water is given in turns.',
    labels: ['What the ground takes in'],
  },
  {
    id: 'speed',
    plain: 'comes at',
    term: 'application rate',
    says: 'How deep the water would stand after an hour where it falls, if none soaked in.',
    labels: ['Rate where it falls', 'Flow'],
  },
  {
    id: 'sun and wind',
    plain: 'what sun and wind take',
    term: 'reference evapotranspiration, ET₀',
    says: 'What a lawn of short grass would use on a day, from its sun, warmth, wind and dry air: 2 mm on a grey day, 6 and more in heat.',
    labels: ['What sun and wind take from short grass'],
  },
  {
    id: 'turns',
    plain: 'in turns',
    term: 'cycle and soak; passes by hand',
    says: 'The same water in two or three parts with a rest between, so that it soaks in instead of running off. With a hose: the whole circuit, then again.',
    labels: ['Minutes'],
  },
  {
    id: 'watering line',
    plain: 'watering line',
    term: 'refill point, management-allowed depletion',
    says: 'Where plants begin to slow. Water when so much is gone, or on the round before it.',
  },
  {
    id: 'way',
    plain: 'way of deciding',
    term: 'irrigation scheduling method',
    says: 'By what a bed’s water is decided: by the ground’s own balance, little and often, a fixed week, only when it wilts…',
  },
  {
    id: 'wets',
    plain: 'share that gets wet',
    term: 'wetted fraction',
    says: 'How much of the bed’s surface a way of watering wets. Drip on sand wets a third; the same litres then go three times as deep.',
    labels: ['Share that gets wet', 'The same over the whole bed'],
  },
  {
    id: 'where it falls',
    plain: 'depth where it falls',
    term: 'depth on the wetted area',
    says: 'The depth of a watering on the ground that gets wet, not spread in thought over the whole bed.',
    labels: ['Depth where it falls'],
  },
] as const satisfies readonly Word[];
export type WordId = (typeof GLOSSARY)[number]['id'];

const WORDS: readonly Word[] = GLOSSARY;
const byId = new Map(WORDS.map((word) => [word.id, word]));
const byLabel = new Map(WORDS.flatMap((word) => (word.labels ?? []).map((label) => [label, word] as const)));

export const wordOf = (id: WordId): Word => byId.get(id) as Word;
/** The word that a label of a working stands for, where it needs one. */
export const wordOfLabel = (label: string): Word | null => byLabel.get(label) ?? null;
