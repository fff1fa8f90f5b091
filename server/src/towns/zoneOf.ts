import tzLookup from '@photostructure/tz-lookup';

/** Worked out once for each of a few hundred: a formatter is dear. */
function kept<T>(work: (name: string) => T): (name: string) => T {
  const known = new Map<string, T>();
  return (name) => {
    const made = known.get(name) ?? work(name);
    known.set(name, made);
    return made;
  };
}

/** Zones are kept under old names and new ones: as this computer calls them. */
const canonical = kept(
  (zone) => new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone,
);

/** The zones of a country, by names that compare; none where they are not known. */
const zonesOf = kept((country): string[] => {
  try {
    const locale = new Intl.Locale(`und-${country}`) as Intl.Locale & { timeZones?: string[] };
    return (locale.timeZones ?? []).map(canonical);
  } catch {
    return [];
  }
});

/** How far round a place near a border its country's zone is looked for, degrees. */
const STEPS_DEG = [0.1, 0.25, 0.5, 1, 2];
const AROUND = [0, 45, 90, 135, 180, 225, 270, 315].map((deg) => (deg * Math.PI) / 180);

const within = (value: number, most: number): number => Math.max(-most, Math.min(most, value));

/**
 * The time zone of a place that lies in a country: near a border the map of zones is too coarse by itself.
 * Source: the packaged map of the IANA zones, and the countries' zones as Unicode's data have them.
 */
export function zoneOf(latitudeDeg: number, longitudeDeg: number, country: string): string {
  const own = zonesOf(country);
  const zone = tzLookup(latitudeDeg, longitudeDeg);
  if (own.length === 0 || own.includes(canonical(zone))) return zone;
  for (const step of STEPS_DEG)
    for (const angle of AROUND) {
      const near = tzLookup(
        within(latitudeDeg + step * Math.cos(angle), 90),
        within(longitudeDeg + step * Math.sin(angle), 180),
      );
      if (own.includes(canonical(near))) return near;
    }
  return own[0] ?? zone;
}
