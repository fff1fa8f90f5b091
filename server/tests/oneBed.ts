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
