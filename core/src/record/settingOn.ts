import type { SettingKind, SettingValues } from '../readings/entries.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SettingOnRecord } from './place.ts';

/** What a place is on a day, of one kind of setting: the first holds also before its day. Undefined where nothing says so. Source: none needed, a matter of record. */
export function settingOn<K extends SettingKind>(
  settings: readonly SettingOnRecord[],
  kind: K,
  on: IsoDate,
): SettingValues[K] | undefined {
  const of = settings.filter(({ setting }) => setting.kind === kind);
  return (of.findLast(({ from }) => from <= on) ?? of[0])?.setting.value as SettingValues[K] | undefined;
}
