import type { GardenView, TapView } from '@kibble/contract';
import { bucketTest, canHaveTimer, knownBed, summed, zoneChecks, type ZoneFault } from '@kibble/core';
import { bedsListed } from '../../words/grouped.ts';
import { OpensTree } from '../../ui/Opens.tsx';
import { useUnits, type Units } from '../../words/units.ts';

/** The beds of a zone as they are known. */
const bedsOf = (zone: TapView, { beds, today }: GardenView) =>
  beds
    .filter(({ tapId, archived }) => tapId === zone.id && !archived)
    .map((bed) => ({ id: bed.id, name: bed.name, ...knownBed(bed, today) }));

/** What the beds of a zone take together, opened into what each takes. */
export function ZoneFlow({ zone, garden }: { zone: TapView; garden: GardenView }) {
  const units = useUnits();
  const beds = bedsOf(zone, garden).filter((bed) => canHaveTimer(bed.delivery.method));
  if (beds.length === 0) return <>no bed on it yet</>;
  const working = summed(
    'Flow',
    'L/min',
    beds.map(({ name, delivery }) => ({ label: name, value: delivery.litresPerMinute })),
  );
  return (
    <>
      <OpensTree title={`Flow of ${zone.name}`} working={working}>
        {units.text('flow', working.value)}
      </OpensTree>{' '}
      for all of its beds together
    </>
  );
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

function faultWords(fault: ZoneFault, nameOf: (id: number) => string, units: Units): string {
  const named = (ids: number[]): string => bedsListed(ids.map(nameOf));
  switch (fault.code) {
    case 'drip and sprays':
      return `Drip and sprays share this valve: ${named(fault.drips)} ${fault.drips.length === 1 ? 'needs' : 'need'} hours of water, and ${named(fault.sprays)} only minutes. Give each kind a valve of its own.`;
    case 'uneven':
      return `In the same time ${nameOf(fault.most)} gets ${fault.times.toFixed(1)} times the depth of ${nameOf(fault.least)}. Emitters with about ${Math.round(100 * fault.evenShare)} % of the output on the first, or more lines on the second, would even them out.`;
    case 'flow':
      return `Its beds take ${units.text('flow', fault.takes)} together, and the tap gives ${units.text('flow', fault.gives)}. The farthest beds will get less than is planned. Divide the zone in two.`;
    case 'by hand':
      return `${named(fault.beds)} ${fault.beds.length === 1 ? 'is' : 'are'} watered by hand or by can, and not with the other beds.`;
  }
}
