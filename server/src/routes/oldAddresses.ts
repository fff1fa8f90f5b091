import {
  entryIds,
  eventView,
  findingBody,
  findingView,
  gaugeBody,
  phBody,
  potEntriesBody,
  potsView,
  saidAnswer,
  saidBody,
  saidUndo,
  settingsBody,
  skipBody,
  tickBody,
  wateringBody,
} from '@kibble/contract';
import type { Request } from 'express';
import type { Garden } from '../db/models.ts';
import { answer, read, readId, Refusal } from '../errors.ts';
import { act, actAfter } from '../http/act.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { dryRun } from '../planner/dryRun.ts';
import { todayOf } from '../services/clock.ts';
import { numberNow, type OldTable } from '../record/oldNumbers.ts';
import { bedsOfFinding, logFinding, markFinding } from '../services/entries.ts';
import { findBed, findGarden } from '../services/find.ts';
import { checkEntries, logEntries, logPh, markEntries } from '../services/pots.ts';
import { enterForecasts, undoForecasts } from '../services/manualForecasts.ts';
import { takeBackSettings } from '../services/settings.ts';
import { tick } from '../services/alertsSeen.ts';
import { logRain, logSkip, logWatering, markEvent } from '../services/waterings.ts';

/**
 * What was entered had an address by its kind before everything became one log (015). Phones that were offline through the
 * update, pages that were open and whatever is sent again under its key still speak these: they may go when no such
 * phone can be left, on 1 December 2027. Numbers that entries had then are understood here.
 */
export function oldAddresses(services: Services) {
  const { wall, log, plans } = services;

  const gardenOf = (req: Request): Promise<Garden> => findGarden(readId(req.params.id, 'garden'));
  const numbersNow = (table: OldTable, ids: readonly number[]): Promise<number[]> =>
    Promise.all(ids.map((id) => numberNow(table, id)));
  const ofPots = (garden: Garden) => ({ gardenId: garden.id, beds: [], pots: true });

  const marked = (away: boolean) =>
    act(services, async (req) => {
      const id = await numberNow('events', readId(req.params.id, 'entry'));
      const event = await markEvent(id, away ? wall.now() : null, wall);
      const { gardenId, bedId } = event;
      return {
        body: answer(eventView, event),
        ...(bedId === null
          ? { touched: { gardenId } }
          : { touched: { gardenId, beds: [bedId] }, roundOf: await findGarden(gardenId) }),
      };
    });
  const markedOnPots = (away: boolean) =>
    act(services, async (req) => {
      const garden = await gardenOf(req);
      const { ids } = read(entryIds, req.body);
      await markEntries(garden, await numbersNow('pot_entries', ids), away ? wall.now() : null);
      return { body: { ids }, touched: ofPots(garden) };
    });
  return handlers({
    addWatering: act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const event = await logWatering(bed, read(wateringBody, req.body), todayOf(garden, wall), wall);
      const touched = { gardenId: garden.id, beds: [bed.id] };
      return { status: 201, body: answer(eventView, event), touched, roundOf: garden };
    }),
    addSkip: act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const event = await logSkip(bed, read(skipBody, req.body), todayOf(garden, wall), wall);
      const touched = { gardenId: garden.id, beds: [bed.id] };
      return { status: 201, body: answer(eventView, event), touched, roundOf: garden };
    }),
    addRain: act(services, async (req) => {
      const garden = await gardenOf(req);
      const { date, rainMm } = read(gaugeBody, req.body);
      const today = todayOf(garden, wall);
      if (date > today)
        throw new Refusal(
          'invalid',
          `Date must be ${today} (today at this garden) or earlier; got ${date}`,
          'date',
        );
      const event = await logRain(garden.id, date, rainMm, wall);
      return { status: 201, body: answer(eventView, event), touched: { gardenId: garden.id } };
    }),
    undoEvent: marked(true),
    restoreEvent: marked(false),

    addFinding: act(services, async (req, dryRunning) => {
      const garden = await gardenOf(req);
      const finding = await logFinding(garden, read(findingBody, req.body), wall);
      const beds = await bedsOfFinding(finding);
      if (dryRunning) await dryRun(beds, 'input', wall, log);
      // What is read at a tap is shown with the tap, which is the garden's.
      const touched = finding.tapId === null ? { gardenId: garden.id, beds } : { gardenId: garden.id };
      return { status: 201, body: answer(findingView, finding), touched };
    }),
    undoFinding: act(services, async (req) => ({
      body: await markFinding(readId(req.params.id, 'finding'), wall.now()),
    })),
    restoreFinding: act(services, async (req, dryRunning) => {
      const finding = await markFinding(readId(req.params.id, 'finding'), null);
      if (dryRunning && 'input' in finding) await dryRun(await bedsOfFinding(finding), 'finding', wall, log);
      return { body: finding };
    }),
    undoSettings: act(services, async (req) => {
      const { ids } = read(settingsBody, req.body);
      const gardenId = await takeBackSettings(ids, wall.now());
      return { body: { ids }, touched: { gardenId } };
    }),

    addPotEntries: actAfter(
      services,
      async (req) => {
        const garden = await gardenOf(req);
        const { entries } = read(potEntriesBody, req.body);
        if (!entries.some(({ entry }) => entry.kind === 'weighed')) return null;
        return potsView.parse(JSON.parse(await plans.view(garden, 'pots', {})));
      },
      async (req, _proving, shelf) => {
        const garden = await gardenOf(req);
        const body = read(potEntriesBody, req.body);
        if (shelf) checkEntries(body, shelf);
        return { status: 201, body: { ids: await logEntries(garden, body, wall) }, touched: ofPots(garden) };
      },
    ),
    undoPotEntries: markedOnPots(true),
    restorePotEntries: markedOnPots(false),
    addPh: act(services, async (req) => {
      const garden = await gardenOf(req);
      const id = await logPh(garden, read(phBody, req.body), wall);
      return { status: 201, body: { ids: [id] }, touched: ofPots(garden) };
    }),

    sayWeather: act(services, async (req) => {
      const garden = await gardenOf(req);
      const ids = await enterForecasts(garden, todayOf(garden, wall), read(saidBody, req.body), wall.now());
      return { status: 201, body: answer(saidAnswer, { ids }), touched: { gardenId: garden.id } };
    }),
    unsayWeather: act(services, async (req) => {
      const garden = await gardenOf(req);
      const { ids } = read(saidUndo, req.body);
      await undoForecasts(garden, await numbersNow('said_days', ids), wall.now());
      return { body: answer(saidAnswer, { ids }), touched: { gardenId: garden.id } };
    }),
    seeAlert: act(services, async (req) => {
      const garden = await gardenOf(req);
      const body = read(tickBody, req.body);
      await tick(garden, body, wall.now());
      return { body: answer(tickBody, body), touched: { gardenId: garden.id, beds: [] } };
    }),
  });
}
