/** How a plant looks from the side: enough to tell one from another at a glance. */
export type PlantForm = 'stem' | 'tuft' | 'head' | 'blade' | 'vine' | 'bush' | 'tree' | 'succulent';

const BY_CROP: Readonly<Record<string, PlantForm>> = Object.fromEntries(
  (
    [
      [
        'tuft',
        'onion garlic carrot beetroot radish leek spring-onion shallot parsnip turnip swede celeriac celery chives iris daylily lawn-cool lawn-warm fern spinach chard',
      ],
      ['head', 'lettuce cabbage cauliflower broccoli kale endive pak-choi kohlrabi rocket hosta strawberry'],
      ['blade', 'sweetcorn sunflower asparagus okra'],
      ['vine', 'melon courgette cucumber pumpkin watermelon gherkin sweet-potato'],
    ] as const
  ).flatMap(([form, ids]) => ids.split(' ').map((id) => [id, form])),
);
const BY_GROUP: Readonly<Record<string, PlantForm>> = {
  'soft fruit': 'bush',
  'shrubs and roses': 'bush',
  'fruit trees': 'tree',
  'ornamental trees': 'tree',
  'cacti and succulents': 'succulent',
  perennials: 'stem',
  turf: 'tuft',
};

export const plantForm = (cropId: string, group: string | null): PlantForm =>
  BY_CROP[cropId] ?? (group ? BY_GROUP[group] : undefined) ?? 'stem';
