import {
  bedBody,
  bedChange,
  bedLinks,
  bedsBody,
  bedsChangeBody,
  bedsChanged,
  bedsTableBody,
  copiesBody,
  plantingChange,
  settingMove,
} from '@kibble/contract';
import { read, readId } from '../errors.ts';
import { act } from '../http/act.ts';
import { archiveBed, archiveBeds, changeBed, copyBed, createBed, linkBed } from '../services/beds.ts';
import { changeBeds, undoChangeOfBeds } from '../services/bedsChange.ts';
import { addBedsOfTable } from '../services/bedsTable.ts';
import { todayOf } from '../services/clock.ts';
import { findBed, findGarden } from '../services/find.ts';
import { checkPlantedBy, markPlanting, savePlanting } from '../services/plantings.ts';
import { dryRun } from '../planner/dryRun.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { wetnessByRecord } from '../services/lately.ts';
import { moveSetting } from '../services/settings.ts';
import { archiveTaps } from '../services/taps.ts';

/** Beds, what is planted on them, and where their ground and water come from. */
export function bedRoutes(services: Services) {
  const { wall, log } = services;

  const putAway = (away: boolean) =>
    act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      await archiveBed(bed, away ? wall.now() : null);
      return { body: { id: bed.id }, touched: { gardenId: garden.id } };
    });
  const planting = (status: number) =>
    act(services, async (req, dryRunning) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const known = req.params.planting === undefined ? null : readId(req.params.planting, 'planting');
      const body = read(plantingChange, req.body);
      const id = await savePlanting(bed, known, body, todayOf(garden, wall));
      if (dryRunning) await dryRun([bed.id], 'cropId', wall, log);
      return { status, body: { id }, touched: { gardenId: garden.id } };
    });
  const markedPlanting = (away: boolean) =>
    act(services, async (req, dryRunning) => {
      const id = readId(req.params.id, 'planting');
      const bed = await markPlanting(id, away ? wall.now() : null, wall);
      if (dryRunning) await dryRun([bed.id], 'planting', wall, log);
      return { body: { id }, touched: { gardenId: bed.gardenId } };
    });
  return handlers({
    addBed: act(services, async (req, dryRunning) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const body = read(bedBody, req.body);
      const today = todayOf(garden, wall);
      checkPlantedBy(body, today);
      const told = await wetnessByRecord(garden, [body], today);
      const { id } = await createBed(garden.id, told[0] ?? body, today, wall.now());
      if (dryRunning) await dryRun([id], 'delivery', wall, log);
      return { status: 201, body: { id }, touched: { gardenId: garden.id } };
    }),
    changeBed: act(services, async (req, dryRunning) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const body = read(bedChange, req.body);
      const today = todayOf(garden, wall);
      checkPlantedBy(body, today);
      const settings = await changeBed(bed, body, today, wall);
      if (dryRunning) await dryRun([bed.id], 'delivery', wall, log);
      // Its ground may be that of others too.
      return { body: { id: bed.id, settings }, touched: { gardenId: garden.id } };
    }),
    moveSetting: act(services, async (req, dryRunning) => {
      const { on } = read(settingMove, req.body);
      const { id, gardenId, subjectId } = await moveSetting(readId(req.params.id, 'entry'), on, wall);
      const beds = [subjectId];
      if (dryRunning) await dryRun(beds, 'on', wall, log);
      return { body: { ids: [id] }, touched: { gardenId, beds } };
    }),
    linkBed: act(services, async (req, dryRunning) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      await linkBed(bed, read(bedLinks, req.body), todayOf(garden, wall), wall);
      if (dryRunning) await dryRun([bed.id], 'groundOf', wall, log);
      return { body: { id: bed.id }, touched: { gardenId: garden.id } };
    }),
    copyBed: act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const { count } = read(copiesBody, req.body);
      const ids = await copyBed(bed, count, todayOf(garden, wall), wall.now());
      return { status: 201, body: { ids }, touched: { gardenId: garden.id } };
    }),
    addBedsOfTable: act(services, async (req, dryRunning) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { answer, oneOfEach } = await addBedsOfTable(garden, read(bedsTableBody, req.body), wall);
      if (dryRunning) await dryRun(oneOfEach, 'rows', wall, log);
      return { status: 201, body: answer, touched: { gardenId: garden.id } };
    }),
    changeBeds: act(services, async (req, dryRunning) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const body = read(bedsChangeBody, req.body);
      const { changed, oneOfEach } = await changeBeds(garden, body, wall);
      if (dryRunning) await dryRun(oneOfEach, 'change', wall, log);
      return { body: changed, touched: { gardenId: garden.id } };
    }),
    undoChangeOfBeds: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const was = read(bedsChanged, req.body);
      await undoChangeOfBeds(garden, was, wall);
      return { body: { ids: was.ids }, touched: { gardenId: garden.id } };
    }),
    archiveBeds: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { ids, taps, restore } = read(bedsBody, req.body);
      const archivedAt = restore ? null : wall.now();
      await archiveBeds(garden.id, ids, archivedAt);
      await archiveTaps(garden.id, taps, archivedAt);
      return { body: { ids }, touched: { gardenId: garden.id } };
    }),
    archiveBed: putAway(true),
    restoreBed: putAway(false),
    addPlanting: planting(201),
    changePlanting: planting(200),
    removePlanting: markedPlanting(true),
    restorePlanting: markedPlanting(false),
  });
}
