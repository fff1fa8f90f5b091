import type { BedView, SettingView } from '@kibble/contract';
import { GOAL_FACTS } from '@kibble/core';
import { refusal, useMarkSettingsMutation } from '../../app/api.ts';
import { useGarden } from '../../app/gardenRound.ts';
import { useUnits, type Units } from '../../app/units.ts';
import { plainDate } from '../../app/words.ts';

/** What a bed became on a day, in words. */
function words({ setting }: SettingView, units: Units, tapName: (id: number) => string): string {
  switch (setting.kind) {
    case 'area':
      return `its area is ${units.text('area', setting.value)}`;
    case 'form':
      return { flat: 'level with the paths', raised: 'raised', basin: 'a basin with a rim' }[setting.value];
    case 'cover':
      return setting.value ? 'under glass or plastic' : 'under the open sky';
    case 'shade':
      return setting.value ? 'under shade cloth' : 'shade cloth off';
    case 'mulched':
      return setting.value
        ? `${setting.value.material}, ${units.text('depth', setting.value.depthMm)}`
        : 'bare soil';
    case 'goal':
      return `grown to be ${GOAL_FACTS[setting.value].words}`;
    case 'watered':
      return `watered by ${setting.value.method}, ${units.text('flow', setting.value.litresPerMinute)}`;
    case 'tap':
      return setting.value === null ? 'drawing from no tap named' : `drawing from ${tapName(setting.value)}`;
  }
}

/** What about the bed became another, and on which day: before it, everything was worked out as it was then. */
export function SettingsLog({ bed }: { bed: BedView }) {
  const garden = useGarden();
  const units = useUnits();
  const [takeBack, { error }] = useMarkSettingsMutation();
  const first = new Set(
    bed.settings.filter((s, i, all) => all.findIndex((o) => o.setting.kind === s.setting.kind) === i),
  );
  const changes = bed.settings.filter((s) => !first.has(s)).reverse();
  if (changes.length === 0) return null;
  const tapName = (id: number): string => garden.taps.find((tap) => tap.id === id)?.name ?? 'a tap';
  return (
    <section aria-labelledby="changes" className="mt-6">
      <h2 id="changes" className="mb-1 text-2xl">
        What changed here
      </h2>
      {error ? (
        <p role="alert" className="font-semibold text-brick">
          {refusal(error).message}
        </p>
      ) : null}
      <ul>
        {changes.map((change) => (
          <li key={change.id} className="flex items-baseline gap-3 border-t border-rule py-1">
            <span className="w-28 shrink-0 text-quiet">since {plainDate(change.from, garden.today)}</span>
            <span className="flex-1">{words(change, units, tapName)}</span>
            <button
              type="button"
              className="no-print underline underline-offset-4"
              onClick={() => void takeBack({ ids: [change.id] })}
            >
              Take back
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
