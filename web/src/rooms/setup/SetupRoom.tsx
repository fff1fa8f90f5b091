import { useEffect, useRef, useState } from 'react';
import { useForm, useWatch, type UseFormReturn } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import { useGardensQuery } from '../../api/api.ts';
import { useCreateGardenMutation } from '../../api/setup.ts';
import { numberRule } from '../../words/numberRule.ts';
import { unitsOf, UnitsContext } from '../../words/units.ts';
import { WaterFields, type TypedBed } from '../../places/ground/Fields.tsx';
import { Button } from '../../ui/Button.tsx';
import { BringFile, LookSheet, useBringBack } from '../settings/YourData.tsx';
import { PracticeGarden } from '../../ui/PracticeGarden.tsx';
import { Growing } from './Growing.tsx';
import { GroundStep } from './GroundStep.tsx';
import { PlantStep } from './PlantStep.tsx';
import {
  forgetSetup,
  keepSetup,
  keptSetup,
  setupDraft,
  setupFields,
  todayIn,
  type TypedSetup,
} from './typedSetup.ts';
import { WhereStep } from './WhereStep.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { checkedBy } from '../../words/formSchema.ts';

const STEPS = [
  ['Where', 'Where is it?'],
  ['Ground', 'What is the ground like?'],
  ['Plants', 'What grows there?'],
  ['Water', 'How do you water it?'],
] as const;

/** What the last answer leads to. */
const DONE = {
  beds: 'Show me the plan',
  table: 'Go on to the table',
  pots: 'Add the first pot',
  trees: 'Add the first tree',
} as const;
/** Where what comes first is added. */
const ROOMS = { beds: 'round', table: 'beds/table', pots: 'pots', trees: 'trees' } as const;

/** Fields that must stand before a step is left. */
const ASKED: readonly (readonly (keyof TypedSetup)[])[] = [
  ['latitude'],
  ['soilBy', 'filledDepth', 'wateredOn'],
  ['area', 'plantedOn'],
  ['flow', 'bucketVolume', 'bucketSeconds', 'fill'],
];

/** A garden in four answers, one to a screen. What is not asked is assumed, marked so, and can be sharpened later. */
export function SetupRoom() {
  const navigate = useNavigate();
  const bring = useBringBack();
  const { data: gardens } = useGardensQuery(null);
  const [create, { isLoading, error }] = useCreateGardenMutation();
  const form = useForm<TypedSetup>({
    // The units are one of the answers.
    resolver: (typed, ...rest) => checkedBy<TypedSetup>(setupFields(unitsOf(typed.units)))(typed, ...rest),
    defaultValues: keptSetup(),
    mode: 'onTouched',
  });
  const typed = useWatch({ control: form.control }) as TypedSetup;
  const [step, setStep] = useState(0);
  const units = unitsOf(typed.units);
  // How a bed is watered on which nothing grows can be said when something does.
  const beds = typed.first === 'beds';
  const last = !beds ? 0 : typed.bare ? STEPS.length - 2 : STEPS.length - 1;
  useEffect(() => keepSetup(typed), [typed]);
  const question = useRef<HTMLHeadingElement>(null);
  const goTo = (n: number): void => {
    setStep(n);
    // The next question is read from its top.
    requestAnimationFrame(() => {
      window.scrollTo(0, 0);
      question.current?.focus({ preventScroll: true });
    });
  };

  /** Whether a step's answers may stand; what may not is said beside it. */
  const stands = async (n: number): Promise<boolean> => {
    if (n === 0) {
      const rule = numberRule('latitudeDeg', typed.latitude, units);
      if (rule !== true && !typed.byHand) {
        form.setError('latitude', { message: 'Town must be one of the list; type its first letters.' });
        return false;
      }
    }
    if (n === 1 && typed.soilBy === null && typed.filledWith === '') {
      form.setError('soilBy', { message: 'Soil must be told by its feel, or by its name below.' });
      return false;
    }
    if (n === 2 && !typed.bare && !typed.cropChosen) {
      form.setError('cropChosen', { message: 'Crop must be one of the list; type part of its name.' });
      return false;
    }
    return form.trigger([...(ASKED[n] ?? [])], { shouldFocus: true });
  };
  const submit = async (): Promise<void> => {
    for (let n = 0; n <= step; n += 1)
      if (!(await stands(n))) {
        goTo(n);
        return;
      }
    if (step < last) {
      goTo(step + 1);
      return;
    }
    const made = await create(setupDraft(typed, units)).unwrap();
    forgetSetup();
    // The first pot or tree is asked for where pots and trees are.
    void navigate(`/garden/${made.id}/${ROOMS[typed.first]}`, beds ? {} : { state: { begin: true } });
  };
  const placed = numberRule('latitudeDeg', typed.latitude, units) === true;
  const known = placed && beds ? sketchable(typed, step, units) : null;

  return (
    <UnitsContext value={units}>
      <main className="mx-auto max-w-5xl px-4 py-6">
        <div className="flex flex-wrap items-baseline gap-x-6">
          <p className="font-serif text-2xl font-bold">Kibble</p>
          <h1 className="text-2xl">
            {beds ? 'Four answers to a first plan' : 'Where it is, then what stands there'}
          </h1>
        </div>
        <ol hidden={!beds} className="mt-2 flex gap-x-2 border-b border-ink sm:gap-x-6">
          {STEPS.map(([name], n) => (
            <li key={name} aria-current={n === step ? 'step' : undefined}>
              <button
                type="button"
                className={`min-h-11 px-1 disabled:text-quiet ${n === step ? 'border-b-4 border-ink font-bold' : 'border-b-4 border-transparent'}`}
                disabled={n > step || n > last}
                onClick={() => goTo(n)}
              >
                {n + 1}&ensp;{name}
              </button>
            </li>
          ))}
        </ol>
        <div className="grid gap-x-12 gap-y-8 pt-4 lg:grid-cols-[minmax(0,1fr)_16rem]">
          <form
            noValidate
            onSubmit={(e) => {
              e.preventDefault();
              void submit().catch(() => undefined);
            }}
          >
            <h2 ref={question} tabIndex={-1} className="mb-3 text-2xl outline-none">
              {STEPS[step]?.[1]}
            </h2>
            <div className="flex flex-col gap-3">
              {step === 0 ? <WhereStep form={form} /> : null}
              {step === 1 ? <GroundStep form={form} /> : null}
              {step === 2 ? <PlantStep form={form} /> : null}
              {step === 3 ? <WaterFields form={form as unknown as UseFormReturn<TypedBed>} /> : null}
            </div>
            <Refused error={error} className="mt-3" />
            <div className="mt-4 flex items-center gap-3">
              <Button type="submit" disabled={isLoading}>
                {step < last ? 'Next' : DONE[typed.first]}
              </Button>
              {step > 0 ? (
                <Button look="quiet" onClick={() => goTo(step - 1)}>
                  Back
                </Button>
              ) : null}
            </div>
          </form>
          <aside aria-label="The plan so far" className="lg:border-l lg:border-rule lg:pl-6">
            <Growing draft={known} today={todayIn(typed.timeZone)} answered={step + 1} />
          </aside>
        </div>
        <section className="mt-8 border-t border-rule pt-3 text-quiet">
          <p>
            The rest is assumed, shown as assumed, and can be put right later.
            {(gardens ?? []).map((garden, i) => (
              <span key={garden.id}>
                {i === 0 ? ' Or go back to ' : ', '}
                <Link className="underline underline-offset-4" to={`/garden/${garden.id}/round`}>
                  {garden.name}
                </Link>
                {garden.away ? ' (put away)' : ''}
              </span>
            ))}
          </p>
          <BringFile bring={bring} label="I have a garden in a file from another Kibble" />
          <Refused error={bring.error} className="mb-3" />
          <PracticeGarden />
          <LookSheet bring={bring} />
        </section>
      </main>
    </UnitsContext>
  );
}

/** The answers so far with what is usual for the rest, to be drawn. */
function sketchable(typed: TypedSetup, step: number, units: ReturnType<typeof unitsOf>) {
  const area = numberRule('areaM2', typed.area, units) === true ? typed.area : '10 m2';
  const rest: Partial<TypedSetup> = step < 3 ? { flowBy: 'guess', flow: '' } : {};
  const flowStands =
    typed.flowBy === 'guess' ||
    (typed.flowBy === 'told' && numberRule('litresPerMinute', typed.flow, units) === true) ||
    (typed.flowBy === 'bucket' &&
      numberRule('litres', typed.bucketVolume, units) === true &&
      Number(typed.bucketSeconds) > 0);
  return setupDraft({ ...typed, area, ...(flowStands ? rest : { flowBy: 'guess', flow: '' }) }, units);
}
