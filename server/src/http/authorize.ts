import { mayAsk, type Endpoint, type EndpointName } from '@kibble/contract';
import { kindFacts } from '@kibble/core';
import type { Request, RequestHandler } from 'express';
import { Bed, EntryRow } from '../db/models.ts';
import { readId, Refusal } from '../errors.ts';
import { numberNow, type OldTable } from '../record/oldNumbers.ts';
import type { Device } from '../sharing/book.ts';
import type { Sharing } from '../sharing/sharing.ts';

const notTheirs = (words: string): Refusal => new Refusal('not-allowed', words, 'rights');
const HELPERS_ONLY = 'This device was connected for the round only.';

/** What an address's `:id` names: the garden it is of, and the device it was entered on. */
const NAMED: Readonly<
  Record<
    NonNullable<Endpoint['of']>,
    (id: unknown) => Promise<{ gardenId: number; deviceId?: string | null } | null>
  >
> = {
  garden: (id) => Promise.resolve({ gardenId: readId(id, 'garden') }),
  bed: (id) => Bed.findByPk(readId(id, 'bed'), { raw: true }),
  event: async (id) =>
    written(await EntryRow.findByPk(await numberNow('events', readId(id, 'entry')), { raw: true })),
  finding: async (id) => written(await EntryRow.findByPk(readId(id, 'finding'), { raw: true })),
};
const written = (row: EntryRow | null) => row && { gardenId: row.gardenId, deviceId: row.deviceId };

/** What a helper may enter is narrower than what may be sent to the same address. */
const HELPERS: Readonly<
  Partial<Record<EndpointName, (req: Request, device: Device) => Promise<void> | void>>
> = {
  addFinding: ({ body }) => {
    const { kind } = (body as { input?: { kind?: unknown } } | undefined)?.input ?? {};
    if (kind !== 'look')
      throw notTheirs(`${HELPERS_ONLY} It may enter what the soil looked like, and no other finding.`);
  },
  addEntries: ({ body }) => {
    const { entries } = (body ?? {}) as { entries?: unknown };
    const kinds = Array.isArray(entries)
      ? entries.map((entry) => (entry as { body?: { kind?: unknown } } | null)?.body?.kind)
      : [];
    if (!kinds.every((kind) => typeof kind === 'string' && kindFacts(kind)?.onRound))
      throw notTheirs(
        `${HELPERS_ONLY} It may enter waterings, skips, what pots were given and what was seen of them, and what the soil looked like.`,
      );
  },
  undoEntries: ownEntries(null),
  restoreEntries: ownEntries(null),
  undoPotEntries: ownEntries('pot_entries'),
  restorePotEntries: ownEntries('pot_entries'),
};

/** A helper undoes what was entered on their own device. @param table whose numbers of before the log the ids may be */
function ownEntries(table: OldTable | null) {
  return async ({ body }: Request, { id: deviceId }: Device): Promise<void> => {
    const { ids } = (body ?? {}) as { ids?: unknown };
    const called = Array.isArray(ids) ? ids.filter((id): id is number => Number.isSafeInteger(id)) : [];
    const named = new Set(table ? await Promise.all(called.map((id) => numberNow(table, id))) : called);
    const own = await EntryRow.count({ where: { id: [...named], deviceId } });
    if (own !== named.size) throw notTheirs(`${HELPERS_ONLY} It may undo only what was entered on it.`);
  };
}

/** A helper asks about the gardens they were invited to, and undoes what they entered themselves. */
async function authorizeHelper(
  req: Request,
  entry: Endpoint,
  device: Device,
  gardens: readonly number[],
): Promise<void> {
  if (entry.of) {
    const named = await NAMED[entry.of](req.params.id);
    if (!named || !gardens.includes(named.gardenId))
      throw notTheirs(
        gardens.length === 0
          ? `${HELPERS_ONLY} Which gardens that is for was not said: please ask for a new code.`
          : `${HELPERS_ONLY} This is not one of its gardens.`,
      );
    if ((entry.of === 'event' || entry.of === 'finding') && named.deviceId !== device.id)
      throw notTheirs(`${HELPERS_ONLY} It may undo only what was entered on it.`);
  }
}

/** Answers this computer itself and the devices that were connected, and them what they may, by the entry that was matched. */
export const authorize =
  (sharing: Sharing | undefined) =>
  (entry: Endpoint): RequestHandler =>
  async (req, _res, next) => {
    const { who } = entry;
    if (!sharing || sharing.isHere(req) || who === 'anybody' || who === 'whoever has the link') {
      next();
      return;
    }
    const device = sharing.deviceOf(req);
    if (!device)
      throw new Refusal(
        'not-paired',
        'This device is not connected. Ask for a code at the computer on which Kibble runs: Settings › On the home network.',
      );
    // Behind a proxy nobody can be told from this computer, so that a connected device speaks for it.
    const needs = who === 'this computer' && sharing.proxy !== null ? 'device' : who;
    const has = device.rights === 'everything' ? 'device' : 'helper';
    if (!mayAsk(has, needs))
      throw notTheirs(
        needs === 'this computer'
          ? 'That is done at the computer on which Kibble runs, not from another device.'
          : HELPERS_ONLY,
      );
    if (has === 'helper') await authorizeHelper(req, entry, device, sharing.gardensOf(device));
    next();
  };

/** Of what was sent, once it has been read: a helper may enter less than may be sent to the same address. */
export const authorizeBody =
  (sharing: Sharing | undefined) =>
  (name: EndpointName): RequestHandler =>
  async (req, _res, next) => {
    const device = sharing && !sharing.isHere(req) ? sharing.deviceOf(req) : null;
    if (device?.rights === 'round only') await HELPERS[name]?.(req, device);
    next();
  };
