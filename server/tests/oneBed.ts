/** A garden of one bed on a practice day in July, as the setup sends it. */
export const GARDEN = {
  garden: {
    name: 'Here',
    latitudeDeg: 47,
    timeZone: 'Europe/Paris',
    clock: { mode: 'practice', date: '2026-07-14' },
  },
  bed: {
    name: 'Tomatoes',
    areaM2: 10,
    textureClass: 'loam',
    planting: { cropId: 'tomato', plantedOn: '2026-05-15' },
    delivery: { method: 'hose wand', litresPerMinute: 12 },
  },
};

/** A pot and a tree beside it. */
export const POT = {
  name: 'Pepper',
  spot: 'Terrace',
  facts: { volumeL: 10 },
  plantings: [{ cropId: 'sweet-pepper', plantedOn: '2026-05-20' }],
};
export const TREE = {
  name: 'Walnut',
  cropId: 'walnut',
  plantedOn: '1985-03-01',
  textureClass: 'clay loam',
  delivery: { litresPerMinute: 8 },
  tree: {
    sort: 'tree',
    canopyM: 9,
    trunkM: 0.5,
    cameAs: 'not known',
    beneath: 'lawn',
    layout: { by: 'bubbler stops' },
    shares: [1],
  },
};
