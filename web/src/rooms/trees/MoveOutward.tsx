import { type BedPageView, type TreeNow } from '@kibble/contract';
import { treePlan, type BedPeriod, type TreeFacts, type TreePlan, historyOf } from '@kibble/core';
import { useGarden } from '../../state/gardenRound.ts';
import { numberRule, typedSi } from '../../words/numberRule.ts';
import { layoutWords, ringText } from '../../words/treeWords.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useKeepTree } from './useKeepTree.ts';
import { useDraft } from '../../ui/useDraft.ts';

/** The yearly move: old and new place, what changes with it, and the tag to print. */
export function MoveOutward({
  page,
  tree,
  onClose,
}: {
  page: BedPageView;
  tree: TreeNow;
  onClose: () => void;
}) {
  const units = useUnits();
  const garden = useGarden();
  const { keep, isLoading, refused } = useKeepTree(page);
  const { facts, plan } = tree;
  const [canopy, setCanopy, sent] = useDraft(`outward-${page.bedId}`, units.number('length', facts.canopyM));
  const rule = numberRule('canopyM', canopy, units);
  const canopyM = rule === true ? (typedSi('canopyM', canopy, units) ?? facts.canopyM) : facts.canopyM;
  const planting = page.bed.planting;
  const then = historyOf(page.bed, garden.today).periods.at(-1) as BedPeriod;
  let moved: { facts: TreeFacts; plan: TreePlan } | null = null;
  if (planting && rule === true) {
    const given = { ...planting, endedOn: undefined };
    const delivery = {
      ...then.delivery,
      litresPerMinute: then.tree?.litresPerMinute ?? page.bed.delivery.litresPerMinute,
    };
    const wide = { ...facts, canopyM };
    const { wanted } = treePlan(wide, given, garden.today, then.bed.ground, delivery);
    const out = { ...wide, ring: wanted };
    moved = { facts: out, plan: treePlan(out, given, garden.today, then.bed.ground, delivery) };
  }
  return (
    <Sheet open onClose={onClose} title={`${page.bedName}: move the water outward`}>
      <p>
        Once a year, before growth begins or when it has rooted, lines, spots and the mulched circle go
        outward with the branches. Measure them, and Kibble lays out the ring anew.
      </p>
      <div className="my-3 max-w-56">
        <Field
          label="Branches across now"
          inputMode="decimal"
          unit={units.of('length').unit}
          value={canopy}
          error={rule === true ? undefined : rule}
          onChange={(e) => setCanopy(e.target.value)}
        />
      </div>
      {moved ? (
        <table className="mb-3 w-full">
          <thead className="text-left text-sm text-quiet">
            <tr>
              <td />
              <th className="pr-4 font-normal">was</th>
              <th className="font-normal">from today</th>
            </tr>
          </thead>
          <tbody>
            {(
              [
                ['From the trunk', ringText(facts.ring, units), ringText(moved.facts.ring, units)],
                ['Water', units.text('volume', plan.litres), units.text('volume', moved.plan.litres)],
                ['How', layoutWords(plan, facts.count, units), layoutWords(moved.plan, facts.count, units)],
                [
                  'Mulch to',
                  units.text('length', plan.mulch.outerM),
                  units.text('length', Math.max(moved.plan.mulch.outerM, moved.facts.ring.outerM)),
                ],
              ] as const
            ).map(([what, was, is]) => (
              <tr key={what} className="border-t border-rule align-baseline">
                <th scope="row" className="pr-4 text-left font-normal text-quiet">
                  {what}
                </th>
                <td className="pr-4">{was}</td>
                <td className="font-semibold">{is}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      {refused ? (
        <p role="alert" className="font-semibold text-brick">
          {refused}
        </p>
      ) : null}
      <Caution of="digging" />
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={isLoading || moved === null}
          onClick={() =>
            moved &&
            void keep(
              moved.facts,
              `is watered ${ringText(moved.facts.ring, units)} from the trunk from today.`,
            )
              .then(() => {
                sent();
                onClose();
              })
              .catch(() => undefined)
          }
        >
          It is moved
        </Button>
        <Button look="quiet" onClick={onClose}>
          Not yet
        </Button>
      </div>
    </Sheet>
  );
}
