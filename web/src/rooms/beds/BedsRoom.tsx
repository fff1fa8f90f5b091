import type { BedView } from '@kibble/contract';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useArchiveBedMutation, useSaveBedMutation } from '../../api/beds.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { DataTable, type Column } from '../../ui/DataTable.tsx';
import { RefusalOrConflict } from '../../ui/Conflict.tsx';
import { Opens } from '../../ui/Opens.tsx';
import { SinceField } from '../../ui/SinceField.tsx';
import { Empty } from '../../ui/states.tsx';
import { BedToPot } from './BedToPot.tsx';
import { bedBodyOf } from './bedBodyOf.ts';
import { ChooseBeds } from './ChooseBeds.tsx';
import { CopySheet } from './CopySheet.tsx';
import { bedFacts } from '../ground/facts.ts';
import { Mark } from '../ground/Mark.tsx';
import { PlaceForm } from '../../places/index.tsx';
import { KindChoice } from '../../places/KindChoice.tsx';
import { useWatch } from 'react-hook-form';
import { bedDraft, bedFields, emptyBed, typedFrom, type TypedBed } from '../../places/ground/Fields.tsx';
import { likeMost } from '../../places/ground/likeMost.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';

/** The beds of the garden: add one, change one, put one away. */
export function BedsRoom() {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [archive] = useArchiveBedMutation();
  const [editing, setEditing] = useState<BedView | 'new' | null>(null);
  const [potting, setPotting] = useState<BedView | null>(null);
  const [copying, setCopying] = useState<BedView | null>(null);
  /** The beds chosen to be changed together; null while none are being chosen. */
  const [chosen, setChosen] = useState<ReadonlySet<number> | null>(null);
  const beds = garden.beds.filter((bed) => !bed.archived);
  const away = garden.beds.filter((bed) => bed.archived);

  const putAway = async (bed: BedView): Promise<void> => {
    await archive({ bedId: bed.id });
    dispatch(
      noticeShown({
        text: `${bed.name} is put away; its log is kept.`,
        undo: [{ to: 'restoreBed', at: { id: bed.id } }],
      }),
    );
  };

  const wide = 'hidden sm:table-cell';
  const hasParts = beds.some(({ place }) => place !== null);
  const choosing: Column<BedView> = {
    id: 'choose',
    heading: <span className="sr-only">Chosen</span>,
    className: 'w-10 align-middle',
    show: (bed) => (
      <Check
        aria-label={`Choose ${bed.name}`}
        checked={chosen?.has(bed.id) ?? false}
        onChange={({ target }) => {
          const others = [...(chosen ?? [])].filter((id) => id !== bed.id);
          setChosen(new Set(target.checked ? [...others, bed.id] : others));
        }}
      />
    ),
  };
  const part: Column<BedView> = {
    id: 'part',
    heading: 'Part',
    className: wide,
    by: (bed) => bed.place ?? '',
    show: (bed) => bed.place ?? '',
  };
  const changes: Column<BedView> = {
    id: 'changes',
    heading: <span className="sr-only">Changes</span>,
    className: 'text-right sm:whitespace-nowrap',
    show: (bed) => (
      <>
        <Button look="quiet" className="px-2" onClick={() => setEditing(bed)}>
          Change
        </Button>
        <Button look="quiet" className="px-2" onClick={() => setCopying(bed)}>
          More like it
        </Button>
        <Button look="quiet" className="px-2" onClick={() => setPotting(bed)}>
          It is a pot
        </Button>
        <Button look="quiet" className="px-2" onClick={() => void putAway(bed)}>
          Put away
        </Button>
      </>
    ),
  };
  const columns: Column<BedView>[] = [
    ...(chosen ? [choosing] : []),
    {
      id: 'bed',
      heading: 'Bed',
      className: 'py-1',
      headClassName: '',
      by: (bed) => bed.name,
      show: (bed) => (
        <>
          <Link className="font-semibold underline decoration-rule underline-offset-4" to={String(bed.id)}>
            {bed.name}
          </Link>
          <span className="block sm:hidden">{growing(bed, garden.today)}</span>
        </>
      ),
    },
    ...(hasParts ? [part] : []),
    {
      id: 'soil',
      heading: 'Soil',
      className: wide,
      by: (bed) => bed.textureClass,
      show: (bed) => <Mark fact={bedFacts(bed, garden.today, units).soil} />,
    },
    {
      id: 'crop',
      heading: 'Crop',
      className: wide,
      by: (bed) => bed.planting?.cropName ?? '',
      show: (bed) => growing(bed, garden.today),
    },
    {
      id: 'method',
      heading: 'Watered by',
      className: 'hidden md:table-cell',
      by: (bed) => bed.delivery.method,
      show: (bed) => (
        <>
          {bed.delivery.method}, <FlowOf bed={bed} today={garden.today} />
        </>
      ),
    },
    {
      id: 'area',
      heading: 'Area',
      className: `${wide} text-right`,
      by: (bed) => bed.areaM2,
      show: (bed) => units.text('area', bed.areaM2),
    },
    ...(chosen ? [] : [changes]),
  ];

  return (
    <div className="max-w-5xl">
      <h1 className="mb-4 text-3xl">Beds</h1>
      {beds.length === 0 ? <Empty title="No bed yet">Add the first one below.</Empty> : null}
      {chosen ? (
        <ChooseBeds
          beds={beds}
          chosen={chosen}
          onChosen={(ids) => setChosen(new Set(ids))}
          onDone={() => setChosen(null)}
        />
      ) : null}
      <DataTable
        caption="Beds of the garden"
        columns={columns}
        rows={beds}
        rowKey={({ id }) => id}
        rowClassName="far border-t border-rule align-baseline"
      />
      {potting ? <BedToPot key={potting.id} bed={potting} onClose={() => setPotting(null)} /> : null}
      {copying ? <CopySheet key={copying.id} bed={copying} onClose={() => setCopying(null)} /> : null}
      {editing ? (
        <BedForm
          key={editing === 'new' ? 'new' : editing.id}
          bed={editing === 'new' ? null : editing}
          gardenId={garden.id}
          today={garden.today}
          onClose={() => setEditing(null)}
        />
      ) : (
        <p className="mt-5 flex flex-wrap items-center gap-x-2">
          <Button onClick={() => setEditing('new')}>Add a bed</Button>
          <Link className="px-4 underline underline-offset-4" to="table">
            Add many beds from a table
          </Link>
          {beds.length > 1 && chosen === null ? (
            <Button look="quiet" onClick={() => setChosen(new Set())}>
              Change several beds
            </Button>
          ) : null}
        </p>
      )}
      {away.length > 0 ? (
        <section className="mt-10">
          <h2 className="text-xl">Put away</h2>
          <ul>
            {away.map((bed) => (
              <li key={bed.id}>
                {bed.name}{' '}
                <Button
                  look="quiet"
                  className="px-2"
                  onClick={() => void archive({ bedId: bed.id, restore: true })}
                >
                  Bring back
                </Button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </div>
  );
}

const growing = ({ planting }: BedView, today: string): string =>
  planting ? `${planting.cropName}, ${plainDate(planting.plantedOn, today)}` : 'nothing';

function FlowOf({ bed, today }: { bed: BedView; today: string }) {
  const { flow } = bedFacts(bed, today, useUnits());
  return (
    <Opens bedId={bed.id} bedName={bed.name} of="rate" assumed={flow.assumed}>
      {flow.text}
    </Opens>
  );
}

function BedForm({
  bed,
  gardenId,
  today,
  onClose,
}: {
  bed: BedView | null;
  gardenId: number;
  today: string;
  onClose: () => void;
}) {
  const units = useUnits();
  const { beds } = useGarden();
  const [save, { isLoading, error }] = useSaveBedMutation();
  const form = useKeptForm<TypedBed>(`bed-${gardenId}-${bed?.id ?? 'new'}`, {
    fields: bedFields(units),
    defaultValues: bed ? typedFrom(bed, units) : { ...emptyBed(today), ...likeMost(beds, '', units) },
  });
  const place = useWatch({ control: form.control, name: 'place' });
  const { getValues, setValue } = form;
  const suggested = useRef<Partial<TypedBed>>(bed ? {} : likeMost(beds, '', units));
  // A new bed begins as most beds of its part are. What was put right stays when the part is named.
  useEffect(() => {
    if (bed) return;
    const before = suggested.current;
    suggested.current = likeMost(beds, place, units);
    for (const [name, value] of Object.entries(suggested.current)) {
      const field = name as keyof TypedBed;
      if (getValues(field) === before[field]) setValue(field, value);
    }
  }, [bed, beds, place, units, getValues, setValue]);
  const kind = useWatch({ control: form.control, name: 'kind' });
  const [since, setSince] = useState(today);
  const dispatch = useAppDispatch();
  const send = (version: number | undefined) =>
    form.handleSubmit(async (typed) => {
      const body = { ...bedDraft(typed, units, bed), version, ...(bed ? { since } : {}) };
      const { settings = [] } = await save({ gardenId, bedId: bed?.id, body }).unwrap();
      if (bed)
        dispatch(
          noticeShown({
            text:
              settings.length > 0
                ? `${bed.name} is so ${since <= bed.startOn ? 'from its first day' : `since ${plainDate(since, today)}`}.`
                : `${bed.name} is changed.`,
            undo: [
              ...undoesEntries(gardenId, settings),
              { to: 'changeBed', at: { id: bed.id }, body: { ...bedBodyOf(bed), since } },
            ],
          }),
        );
      onClose();
    });
  const submit = send(bed?.version);
  return (
    <form
      noValidate
      onSubmit={(e) => void submit(e).catch(() => undefined)}
      className="mt-6 flex max-w-3xl flex-col gap-5 border border-ink bg-sheet p-5"
    >
      <DraftNote draft={form.draft} />
      <h2 className="text-2xl">{bed ? `Change ${bed.name}` : 'A new bed'}</h2>
      {bed ? null : <KindChoice {...form.register('kind')} />}
      <PlaceForm kind={kind} form={form} />
      {bed ? <SinceField bed={bed} today={today} value={since} onChange={setSince} /> : null}
      <RefusalOrConflict
        error={error}
        onMine={(version) => void send(version)().catch(() => undefined)}
        onTheirs={onClose}
      />
      <div className="flex gap-2">
        <Button type="submit" disabled={isLoading}>
          {bed ? 'Keep the changes' : 'Add the bed'}
        </Button>
        <Button look="quiet" onClick={onClose}>
          Leave as it was
        </Button>
      </div>
    </form>
  );
}
