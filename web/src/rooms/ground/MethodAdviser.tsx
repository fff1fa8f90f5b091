import type { BedView } from '@kibble/contract';
import { adviseMethod, type KnownBed } from '@kibble/core';
import { useState } from 'react';
import { cropOfPlanting } from '../../words/cropOfPlanting.ts';
import { Check } from '../../ui/Check.tsx';

const SHOWN = 4;

/** Ways of watering this bed, best first, with what speaks for and against each. */
export function MethodAdviser({ bed, known }: { bed: BedView; known: KnownBed }) {
  const [windy, setWindy] = useState(false);
  const [waterShort, setWaterShort] = useState(false);
  const [closeSown, setCloseSown] = useState(false);
  const [all, setAll] = useState(false);
  const crop = bed.planting ? cropOfPlanting(bed.planting) : null;
  if (!crop) return null;
  const advice = adviseMethod({
    textureClass: known.ground.horizons[0]?.textureClass ?? 'loam',
    crop,
    closeSown: closeSown || undefined,
    waterShort,
    windy,
    areaM2: known.areaM2,
  });
  const here = advice.findIndex((a) => a.method === bed.delivery.method);
  const shown = all ? advice : advice.filter((_, i) => i < SHOWN || i === here);
  const box = (label: string, value: boolean, set: (v: boolean) => void) => (
    <Check checked={value} onChange={(e) => set(e.target.checked)}>
      {label}
    </Check>
  );
  return (
    <section className="mt-8" aria-labelledby="adviser">
      <h2 id="adviser" className="mb-1 text-2xl">
        Ways to water {crop.name.toLowerCase()} here
      </h2>
      <div className="flex flex-wrap gap-x-6 border-t border-ink">
        {box('Water is short', waterShort, setWaterShort)}
        {box('It is windy here', windy, setWindy)}
        {box('Sown close or broadcast', closeSown, setCloseSown)}
      </div>
      <table className="w-full">
        <thead className="text-left text-sm text-quiet">
          <tr>
            <th className="w-8 font-normal">
              <span className="sr-only">Place</span>
            </th>
            <th className="font-normal">By</th>
            <th className="pr-4 font-normal">Litres sent for each that stays</th>
            <th className="hidden pr-4 font-normal sm:table-cell">Weeding</th>
            <th className="hidden font-normal sm:table-cell">Leaves</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((a) => (
            <tr key={a.method} className="border-t border-rule align-baseline">
              <td className="py-1 font-serif text-lg text-quiet">{advice.indexOf(a) + 1}</td>
              <td className="py-1 pr-4">
                <strong>{a.method}</strong>
                {a.method === bed.delivery.method ? ' (yours)' : ''}
                <p className="text-sm">
                  {a.reasons.map((r) => (
                    <span key={r.text} className={r.good ? '' : 'text-quiet'}>
                      {r.good ? '+ ' : '− '}
                      {r.text}
                      {'. '}
                    </span>
                  ))}
                </p>
              </td>
              <td className="py-1">{a.litresPerUsefulLitre.toFixed(2)}</td>
              <td className="hidden py-1 sm:table-cell">
                {a.weeding < 0.25 ? 'little' : a.weeding < 0.6 ? 'some' : 'much'}
              </td>
              <td className="hidden py-1 sm:table-cell">{a.wetsLeaves ? 'wetted' : 'dry'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <button type="button" className="min-h-11 underline underline-offset-4" onClick={() => setAll(!all)}>
        {all ? 'Only the best' : 'All nine ways'}
      </button>
    </section>
  );
}
