import {
  bedToPotBody,
  copiesBody,
  plantOutBody,
  potBody,
  potChange,
  potsView,
  sequenceBody,
  sequenceStepBody,
  type PotsView,
} from '@kibble/contract';
import { SequenceRow, type Garden } from '../db/models.ts';
import { read, readId, Refusal } from '../errors.ts';
import { act, actAfter } from '../http/act.ts';
import { sendJson } from '../http/sendView.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { todayOf } from '../services/clock.ts';
import { findBed, findGarden } from '../services/find.ts';
import { addPot, bedToPot, changePot, copyPot, findPot, plantOut } from '../services/pots.ts';
import { begin, stepOn } from '../services/sequences.ts';

/** Pots and trays: the shelf, what is written down of it, what is done by the clock. */
export function potRoutes(services: Services) {
  const { wall, plans } = services;
  const touched = (garden: Garden) => ({ gardenId: garden.id, beds: [], pots: true });
  const shelf = async (garden: Garden): Promise<PotsView> =>
    potsView.parse(JSON.parse(await plans.view(garden, 'pots', {})));

  const sequenceOf = async (id: unknown): Promise<{ row: SequenceRow; garden: Garden }> => {
    const row = await SequenceRow.findByPk(readId(id, 'sequence'));
    if (!row) throw new Refusal('not-found', 'There is nothing under way of that number.', 'id');
    return { row, garden: await findGarden(row.gardenId) };
  };

  const putAway = (away: boolean) =>
    act(services, async (req) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      await pot.update({ archivedAt: away ? wall.now() : null, version: pot.version + 1 });
      return { body: { id: pot.id }, touched: touched(garden) };
    });
  return handlers({
    pots: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      sendJson(res, await plans.view(garden, 'pots', {}));
    },
    potPage: async (req, res) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      sendJson(res, await plans.view(garden, 'potPage', { potId: pot.id }));
    },
    addPot: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { id } = await addPot(garden, read(potBody, req.body), wall);
      return { status: 201, body: { id }, touched: touched(garden) };
    }),
    changePot: act(services, async (req) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      const settings = await changePot(pot, read(potChange, req.body), garden, wall);
      return { body: { id: pot.id, settings }, touched: touched(garden) };
    }),
    copyPot: act(services, async (req) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      const ids = await copyPot(pot, read(copiesBody, req.body).count, todayOf(garden, wall), wall.now());
      return { status: 201, body: { ids }, touched: touched(garden) };
    }),
    archivePot: putAway(true),
    restorePot: putAway(false),
    plantOut: act(services, async (req) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      await plantOut(pot, garden, read(plantOutBody, req.body), wall);
      return { body: { id: pot.id }, touched: { gardenId: garden.id } };
    }),
    bedToPot: act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const { id } = await bedToPot(bed, garden, read(bedToPotBody, req.body), wall);
      return { status: 201, body: { id }, touched: { gardenId: garden.id } };
    }),
    beginSequence: actAfter(
      services,
      async (req) => shelf(await findGarden(readId(req.params.id, 'garden'))),
      async (req, _proving, view) => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        const id = await begin(garden, read(sequenceBody, req.body), view, wall);
        return { status: 201, body: { id }, touched: touched(garden) };
      },
    ),
    stepSequence: actAfter(
      services,
      async (req) => shelf((await sequenceOf(req.params.id)).garden),
      async (req, _proving, view) => {
        const { row, garden } = await sequenceOf(req.params.id);
        const body = await stepOn(row, garden, read(sequenceStepBody, req.body), view, wall);
        return { body, touched: touched(garden) };
      },
    ),
  });
}
