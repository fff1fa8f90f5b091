import type { BedBody, GardenBody } from '@kibble/contract';

/** "Three Poplars", an invented market garden on a dry inland plain. Everything in it is made up. */
export const threePoplars: GardenBody = {
  name: 'Three Poplars',
  latitudeDeg: 46.9,
  elevationM: 112,
  timeZone: 'Europe/Bucharest',
  units: 'metric',
  clock: { mode: 'practice', date: '2026-07-14' },
};

/** The simulated station of the demo; another seed is another year. */
export const stationSeed = 46;

/** Days before the demo's first morning from which its balance runs. */
export const recordFrom = '2026-03-01';

interface DemoBed extends BedBody {
  /** Last watering before the demo starts: date and litres. */
  watered: { date: string; litres: number }[];
}

const bed = (b: Omit<DemoBed, 'form' | 'underCover' | 'startWetness'> & Partial<DemoBed>): DemoBed => ({
  form: 'flat', underCover: false, startWetness: 'soaked', ...b,
});

/** Waterings every `every` days from `from` to `to`. */
function every(days: number, from: string, to: string, litres: number): { date: string; litres: number }[] {
  const list = [];
  for (let t = Date.parse(from); t <= Date.parse(to); t += days * 86_400_000) {
    list.push({ date: new Date(t).toISOString().slice(0, 10), litres });
  }
  return list;
}

export const beds: DemoBed[] = [
  bed({
    name: 'Peppers, low ground', areaM2: 18, textureClass: 'loamy sand', subsoilClass: 'sandy loam', form: 'raised',
    planting: { cropId: 'sweet-pepper', plantedOn: '2026-05-18' },
    delivery: { method: 'drip', litresPerMinute: 4.2, measured: true },
    watered: every(4, '2026-05-18', '2026-07-10', 170),
  }),
  bed({
    name: 'Tomatoes, long bed', areaM2: 15, textureClass: 'sandy loam', subsoilClass: 'loam', form: 'raised',
    mulchMaterial: 'straw', mulchMm: 60,
    planting: { cropId: 'tomato', plantedOn: '2026-05-12' },
    delivery: { method: 'drip', litresPerMinute: 3.8, measured: true },
    watered: every(6, '2026-05-12', '2026-07-11', 190),
  }),
  bed({
    name: 'Sweetcorn block', areaM2: 24, textureClass: 'sandy loam', subsoilClass: 'loamy sand',
    planting: { cropId: 'sweetcorn', plantedOn: '2026-05-10' },
    delivery: { method: 'sprinkler', litresPerMinute: 9.5, measured: false },
    watered: every(7, '2026-05-24', '2026-07-09', 620),
  }),
  bed({
    name: 'Onions', areaM2: 12, textureClass: 'loamy sand',
    planting: { cropId: 'onion', plantedOn: '2026-04-02' },
    delivery: { method: 'hose wand', litresPerMinute: 11, measured: false },
    watered: every(4, '2026-04-20', '2026-07-10', 175),
  }),
  bed({
    name: 'Melons, clay corner', areaM2: 14, textureClass: 'clay', form: 'flat',
    mulchMaterial: 'straw', mulchMm: 50,
    planting: { cropId: 'melon', plantedOn: '2026-05-22' },
    delivery: { method: 'soaker hose', litresPerMinute: 5, measured: false },
    watered: every(8, '2026-05-22', '2026-07-12', 300),
  }),
  bed({
    name: 'Salads, clay edge', areaM2: 8, textureClass: 'clay loam', subsoilClass: 'clay',
    planting: { cropId: 'lettuce', plantedOn: '2026-06-20' },
    delivery: { method: 'watering can', litresPerMinute: 8, measured: false },
    watered: every(3, '2026-06-20', '2026-07-11', 60),
  }),
];
