import { describe, expect, test } from '@jest/globals';
import { completeWeather } from '../weather/completeWeather.ts';
import { seattle, seattleSite as site, seattleTomatoes } from '../../tests/seattle.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { planGarden } from '../plan/planGarden.ts';
import { undivided } from './undivided.ts';

const watering = (date: string, localMm: number, totalMm: number) => ({
  date,
  run: { localMm, litres: 10 * localMm } as Parameters<typeof undivided>[0][number]['run'],
  reason: { totalMm } as Parameters<typeof undivided>[0][number]['reason'],
});

describe('a week’s waterings as one', () => {
  test('three of 12 mm on ground that holds 12: 24 mm and their litres sink, and what comes a week later is not of it', () => {
    const week = ['2026-07-14', '2026-07-16', '2026-07-18', '2026-07-21'].map((date) =>
      watering(date, 12, 12),
    );
    const found = undivided(week);
    expect(found).toMatchObject({ waterings: 3, givenMm: 36, sinksMm: 24, sinksL: 240 });
    expect(found?.because.inputs.map(({ value }) => value)).toEqual([36, 12]);
  });
  test('what deep ground could hold at once is only told of where it cannot', () => {
    const two = ['2026-07-14', '2026-07-19'].map((date) => watering(date, 60, 150));
    expect(undivided(two)).toBeNull();
  });
  test('one watering, or none, has nothing to divide', () => {
    expect(undivided([watering('2026-07-14', 40, 12)])).toBeNull();
    expect(undivided([])).toBeNull();
  });
  // Common practice: sand is watered in parts because a big dose drains past the roots; clay holds a week's.
  test('lettuces on sand would lose most of a week’s water in one dose, tomatoes on clay none', () => {
    const weather = completeWeather({
      record: seattle,
      forecast: [],
      site,
      from: '2015-05-15',
      to: '2015-07-24',
      today: '2015-07-07',
    });
    const of = (textureClass: TextureClass, cropId: string) =>
      undivided(
        planGarden(
          {
            site,
            beds: [
              {
                ...seattleTomatoes,
                bed: {
                  areaM2: 10,
                  ground: { horizons: [{ textureClass }] },
                  plantings: [{ cropId, plantedOn: '2015-06-01' }],
                },
                startOn: '2015-07-01',
              },
            ],
          },
          weather,
          {},
          { today: '2015-07-08', members: 0 },
        ).waterings,
      );
    const sand = of('sand', 'lettuce');
    expect(sand?.waterings).toBeGreaterThan(1);
    expect((sand?.sinksMm ?? 0) / (sand?.givenMm ?? 1)).toBeGreaterThan(0.4);
    expect(of('clay', 'tomato')).toBeNull();
  });
});
