import type {
  BedView,
  ClimateView,
  GardenBody,
  GardenLimits,
  GardenPatch,
  GardenView,
} from '@kibble/contract';
import { FINDING_SORTS } from '@kibble/core';
import { Op } from 'sequelize';
import { Bed, EntryRow, Garden, Ground, OwnCrop, Planting, Tap } from '../db/models.ts';
import { ofBeds } from '../record/log.ts';
import { bedToView, ownCropEntries } from './bedView.ts';
import { setClock, todayOf, type WallClock } from './clock.ts';
import { refusing } from '../errors.ts';
import { climateEntered, climateKnownOf, climateOf, climateToView, heightOf } from './climate.ts';
import { checkVersion } from './edited.ts';
import { entriesToView, type SetAside } from './entryView.ts';
import { grouped } from './grouped.ts';
import { tapToView } from './taps.ts';

export async function createGarden(
  body: GardenBody,
  options: { stationUrl?: string; isDemo?: boolean; coastKm?: number | null } = {},
): Promise<Garden> {
  refusing(() => climateEntered({ ...body, coastKm: options.coastKm }), 'climateKnown.');
  return Garden.create({
    name: body.name,
    latitudeDeg: body.latitudeDeg,
    elevationM: heightOf({ ...body, coastKm: options.coastKm }),
    longitudeDeg: body.longitudeDeg ?? null,
    town: body.town ?? null,
    summers: body.summers ?? null,
    air: body.air ?? null,
    coastKm: options.coastKm ?? null,
    climateKnown: body.climateKnown ? JSON.stringify(body.climateKnown) : null,
    timeZone: body.timeZone,
    units: body.units,
    clockMode: body.clock.mode,
    practiceDate: body.clock.mode === 'practice' ? body.clock.date : null,
    stationUrl: options.stationUrl ?? null,
    isDemo: options.isDemo ?? false,
  });
}

/** A garden's limits as they stand on record; what cannot be read any more is no limit, and said to be so. */
function limitsOf(garden: Garden, setAside: SetAside[]): GardenLimits {
  try {
    const limits = JSON.parse(garden.limits || '{}') as unknown;
    if (typeof limits === 'object' && limits !== null) return limits;
  } catch {
    // Told below.
  }
  setAside.push({ what: 'the limits of the garden', id: garden.id, why: 'their text is not understood' });
  return {};
}

/** What says where a garden lies, what it is like there and how it is kept. */
const PLACE_FIELDS = [
  'latitudeDeg',
  'longitudeDeg',
  'elevationM',
  'timeZone',
  'town',
  'summers',
  'air',
  'drains',
] as const satisfies readonly (keyof GardenPatch)[];

/** Changes a garden's name, units, place, limits or date. */
export async function changeGarden(
  garden: Garden,
  body: GardenPatch,
  coastKm: number | null = garden.coastKm ?? null,
): Promise<void> {
  const { version, limits, clock, climateKnown, ...plain } = body;
  checkVersion(
    garden.name,
    version,
    garden.version,
    { ...plain, ...(limits ? { limits } : {}) },
    { ...garden.get({ plain: true }), limits: limitsOf(garden, []) },
  );
  const before = garden.get({ plain: true });
  const place = {
    latitudeDeg: plain.latitudeDeg ?? before.latitudeDeg,
    longitudeDeg: plain.longitudeDeg === undefined ? before.longitudeDeg : plain.longitudeDeg,
  };
  const moved = place.latitudeDeg !== before.latitudeDeg || place.longitudeDeg !== before.longitudeDeg;
  // What was known of the usual year was known of the place that the garden leaves.
  const known = climateKnown === undefined && !moved ? climateKnownOf(garden) : (climateKnown ?? null);
  // Elsewhere it is as high as the stations around, until somebody says.
  const elevationM = plain.elevationM ?? (moved ? heightOf({ ...place, coastKm }) : before.elevationM);
  refusing(() => climateEntered({ ...place, elevationM, coastKm, climateKnown: known }), 'climateKnown.');
  await garden.update({
    name: plain.name ?? garden.name,
    units: plain.units ?? garden.units,
    // What is not told stays; what is told to be nothing is nothing.
    ...Object.fromEntries(
      PLACE_FIELDS.flatMap((field) => (plain[field] === undefined ? [] : [[field, plain[field]]])),
    ),
    elevationM,
    coastKm,
    climateKnown: known && JSON.stringify(known),
    limits: limits ? JSON.stringify(limits) : garden.limits,
    version: garden.version + 1,
  });
  if (clock) await setClock(garden, clock);
}

/** The usual year of a garden as it is shown; null where its place is not known well enough. */
function shownClimate(garden: Garden): ClimateView | null {
  const known = climateKnownOf(garden);
  const climate = climateOf({ ...garden.get({ plain: true }), climateKnown: known });
  return climate && climateToView(climate, known !== null);
}

/** Beds told at once: the event loop has its turn between them. */
const BEDS_AT_ONCE = 120;

/** A garden as it is shown; with `only`, of its beds those alone. */
export async function gardenToView(
  garden: Garden,
  wall: WallClock,
  only?: readonly number[],
): Promise<GardenView> {
  const setAside: SetAside[] = [];
  const where = { gardenId: garden.id };
  const raw = { raw: true, nest: false } as const;
  const beds = await Bed.findAll({
    where: only ? { ...where, id: [...only] } : where,
    order: ['position', 'id'],
    ...raw,
  });
  const bedId = beds.map(({ id }) => id);
  const newestFirst = {
    order: [
      ['on', 'DESC'],
      ['id', 'DESC'],
    ] as [string, string][],
    ...raw,
  };
  // Of a few beds only what concerns them is read: their own entries, and those of their garden's taps and grounds.
  const concerning = only
    ? {
        [Op.or]: [
          ofBeds(bedId),
          { bedId },
          { subjectKind: 'ground', subjectId: beds.map(({ groundId }) => groundId) },
          { subjectKind: 'tap' },
        ],
      }
    : {};
  const [ownRows, taps, found, grounds, plantings] = await Promise.all([
    OwnCrop.findAll({ where, order: ['id'], ...raw }),
    Tap.findAll({ where, order: ['id'], ...raw }),
    EntryRow.findAll({
      where: {
        ...where,
        ...concerning,
        removedAt: null,
        sort: [...FINDING_SORTS],
        subjectKind: ['bed', 'ground', 'tap'],
      },
      ...newestFirst,
    }),
    Ground.findAll({ where, ...raw }),
    Planting.findAll({ where: { bedId, removedAt: null }, order: ['plantedOn', 'id'], ...raw }),
  ]);
  const ownCrops = ownCropEntries(ownRows, setAside);
  const today = todayOf(garden, wall);
  const findings = entriesToView(found, setAside);
  const groundOfEntry = new Map(
    found.map(({ id, subjectKind, subjectId }) => [id, subjectKind === 'ground' ? subjectId : null]),
  );
  const plantingsOf = grouped(plantings, ({ bedId: id }) => id);
  const ofTap = grouped(findings, ({ tapId }) => tapId);
  const ofGround = grouped(findings, ({ id }) => groundOfEntry.get(id) ?? null);
  const ofBed = grouped(findings, ({ bedId: id }) => id);
  const order = new Map(findings.map(({ id }, i) => [id, i]));
  const ground = new Map(grounds.map((g) => [g.id, g]));
  const views: BedView[] = [];
  // Settings are most of what a large garden's beds are: read and told some beds at a time, so that nobody waits for all.
  for (let i = 0; i < beds.length; i += BEDS_AT_ONCE) {
    const some = beds.slice(i, i + BEDS_AT_ONCE);
    const where = { ...ofBeds(some.map(({ id }) => id)), removedAt: null, sort: 'setting' };
    const settings = grouped(await EntryRow.findAll({ where, ...newestFirst }), ({ subjectId }) => subjectId);
    for (const bed of some)
      views.push(
        bedToView({
          bed,
          ground: ground.get(bed.groundId),
          plantings: plantingsOf.get(bed.id) ?? [],
          settings: settings.get(bed.id) ?? [],
          setAside,
          ownCrops,
          today,
          // An entry counts for its own bed, for the beds on the same ground, and for the beds on its tap.
          findings: (tapIds) =>
            [
              ...new Set([
                ...(ofBed.get(bed.id) ?? []),
                ...(ofGround.get(bed.groundId) ?? []),
                ...tapIds.flatMap((id) => ofTap.get(id) ?? []),
              ]),
            ].sort((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0)),
        }),
      );
  }
  return {
    id: garden.id,
    name: garden.name,
    latitudeDeg: garden.latitudeDeg,
    elevationM: garden.elevationM,
    longitudeDeg: garden.longitudeDeg ?? null,
    timeZone: garden.timeZone,
    town: garden.town ?? null,
    summers: garden.summers ?? null,
    air: garden.air ?? null,
    climate: shownClimate(garden),
    units: garden.units,
    clockMode: garden.clockMode,
    today,
    isDemo: garden.isDemo,
    away: Boolean(garden.archivedAt),
    drains: garden.drains ?? 'usual',
    hasStation: garden.stationUrl !== null,
    version: garden.version,
    limits: limitsOf(garden, setAside),
    setAside,
    beds: views,
    ownCrops,
    taps: taps.map((tap) => tapToView(tap, ofTap.get(tap.id) ?? [])),
  };
}
