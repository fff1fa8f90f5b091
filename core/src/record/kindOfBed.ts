import type { SettingKind } from '../readings/entries.ts';
import type { IsoDate } from '../units/dates.ts';
import type { BedOnRecord } from './place.ts';
import { settingOn } from './settingOn.ts';

/** Kinds that a bed is while one of its settings holds, by that setting. */
export const KIND_WHILE: readonly (readonly [SettingKind, string])[] = [['tree', 'tree ring']];

/** What kind of place a bed is on a day, a name in `KINDS`: the one that a setting makes it, or the one it was added as. Source: none needed, a matter of record. */
export const kindOfBed = ({ settings, kind }: BedOnRecord, on: IsoDate): string =>
  KIND_WHILE.find(([setting]) => settingOn(settings, setting, on))?.[1] ?? kind;
