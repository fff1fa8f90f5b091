import type { GardenView, TapView } from '@kibble/contract';
import { bucketTest, knownBed, zoneChecks, zoneTakes, type ZoneFault } from '@kibble/core';
import { listed } from '../../words/grouped.ts';
import { useUnits, type Units } from '../../words/units.ts';

/** The beds of a zone as they are known. */
const bedsOf = (zone: TapView, { beds, today }: GardenView) =>
  beds
    .filter(({ tapId, archived }) => tapId === zone.id && !archived)
    .map((bed) => ({ id: bed.id, ...knownBed(bed, today) }));

/** What the beds of a zone take together. */
export function ZoneFlow({ zone, garden }: { zone: TapView; garden: GardenView }) {
  const units = useUnits();
  const takes = zoneTakes(bedsOf(zone, garden));
  return takes > 0 ? <>{units.text('flow', takes)} for all of its beds together</> : <>no bed on it yet</>;
}

/** What is amiss with the beds of a zone, and what would help. */
export function ZoneFaults({ zone, garden }: { zone: TapView; garden: GardenView }) {
  const units = useUnits();
  const from = garden.taps.find(({ id }) => id === (zone.fromTapId ?? zone.id));
  const bucket = from?.findings.find(({ input }) => input.kind === 'bucket')?.input;
  const gives = bucket?.kind === 'bucket' ? bucketTest(bucket).litresPerMinute : undefined;
  const faults = zoneChecks(bedsOf(zone, garden), gives);
  const nameOf = (id: number): string => garden.beds.find((bed) => bed.id === id)?.name ?? '';
  return (
    <>
      {faults.map((fault) => (
        <p key={fault.code} className="mt-1 border-l-4 border-brick pl-3 text-sm">
          {faultWords(fault, nameOf, units)}
        </p>
      ))}
    </>
  );
}

/** Names said one by one; of more beds only their number is said. */
const FEW = 4;

function faultWords(fault: ZoneFault, nameOf: (id: number) => string, units: Units): string {
  const named = (ids: number[]): string =>
    ids.length <= FEW ? listed(ids.map(nameOf)) : `${ids.length} beds`;
  switch (fault.code) {
    case 'drip and sprays':
      return `Drip and sprays share this valve: ${named(fault.drips)} would want hours of it, and ${named(fault.sprays)} minutes. Give each a valve of its own.`;
    case 'uneven':
      return `In the same time ${nameOf(fault.most)} gets ${fault.times.toFixed(1)} times the depth of ${nameOf(fault.least)}. Emitters with about ${Math.round(100 * fault.evenShare)} % of the output on the first, or more lines on the second, would even them out.`;
    case 'flow':
      return `Its beds take ${units.text('flow', fault.takes)} together, and the tap gives ${units.text('flow', fault.gives)}. The far beds will get less than is planned. Divide it into two zones.`;
    case 'by hand':
      return `${named(fault.beds)} ${fault.beds.length === 1 ? 'is' : 'are'} watered by hand, and so not with the others.`;
  }
}
