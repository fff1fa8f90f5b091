import type { FileView, GardenView } from '@kibble/contract';
import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { Link } from 'react-router';
import {
  useBringFileMutation,
  useForgetFileMutation,
  useReadFileAgainMutation,
  useStoreFileMutation,
  useWeatherFileQuery,
} from '../../api/weather.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { fullDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Understood } from './Understood.tsx';
import { Refused } from '../../ui/Refused.tsx';

/** How often a file that is being read or stored is asked after, ms. */
const ASK_MS = 200;

/** A file of daily weather: what was understood of it, its first rows, then, if wanted, into the record. */
export function ImportPanel({ garden }: { garden: GardenView }) {
  const dispatch = useAppDispatch();
  const [file, setFile] = useState<{ id: string; name: string } | null>(null);
  const [unitChoices, setUnitChoices] = useState<Record<string, string>>({});
  const [pasting, setPasting] = useState(false);
  const [busy, setBusy] = useState(false);
  const [bring, bringing] = useBringFileMutation();
  const [readAgain, again] = useReadFileAgainMutation();
  const [forget] = useForgetFileMutation();
  const [store, storing] = useStoreFileMutation();
  const { data: view, error: lost } = useWeatherFileQuery(file?.id ?? '', {
    skip: file === null,
    pollingInterval: busy ? ASK_MS : 0,
    refetchOnMountOrArgChange: true,
  });
  const now = file !== null && view?.id === file.id ? view : null;
  const working = file !== null && (now === null || now.state !== 'read' || storing.isLoading) && !lost;
  if (working !== busy) setBusy(working);

  const take = async (chosen: Blob, name: string): Promise<void> => {
    storing.reset();
    again.reset();
    setUnitChoices({});
    const { id } = await bring({ gardenId: garden.id, name, file: chosen }).unwrap();
    setFile({ id, name });
    setPasting(false);
  };
  const answerUnit = async (field: string, unit: string): Promise<void> => {
    if (!file) return;
    const units = { ...unitChoices, [field]: unit };
    await readAgain({ id: file.id, units }).unwrap();
    setUnitChoices(units);
  };
  const letGo = (): void => {
    if (file) void forget(file.id);
    setFile(null);
    bringing.reset();
    storing.reset();
  };
  const keep = async (): Promise<void> => {
    if (!file) return;
    const { id } = await store(file.id).unwrap();
    setFile(null);
    dispatch(noticeShown({ text: `${file.name} is taken in.`, undo: [{ to: 'undoImport', at: { id } }] }));
  };
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple: false,
    noClick: true,
    noKeyboard: true,
    onDrop: ([chosen]) => {
      if (chosen) void take(chosen, chosen.name).catch(() => undefined);
    },
  });
  const stored = storing.data;
  const problem = bringing.error ?? again.error ?? (stored ? undefined : lost);

  return (
    <section {...getRootProps()} className={isDragActive ? 'outline-2 outline-offset-8 outline-ink' : ''}>
      <h2 className="mb-2 text-2xl">Bring in a file</h2>
      <p className="mb-3 text-quiet">
        Records as a table (CSV) or JSON, a row a day or an hour: a date, lowest and highest temperature and
        rain; wind, humidity and sun when there are any. Days ahead are taken as a forecast. Nothing is stored
        until you say so.
      </p>
      <input {...getInputProps({ 'aria-label': 'File of weather' })} />
      <div className="flex flex-wrap items-center gap-x-2">
        <Button data-begin onClick={open}>
          {isDragActive ? 'Drop it here' : 'Choose a file'}
        </Button>
        <Button look="quiet" onClick={() => setPasting(!pasting)}>
          {pasting ? 'Paste nothing' : 'Paste rows'}
        </Button>
      </div>
      {pasting ? (
        <PasteRows
          busy={bringing.isLoading}
          onRows={(text) => void take(new Blob([text]), 'pasted rows').catch(() => undefined)}
        />
      ) : null}
      <Refused error={problem} className="mt-3" />
      {file && working ? <Progress view={now} onCancel={letGo} /> : null}
      {file && now?.state === 'read' && !storing.isLoading ? (
        <Understood
          found={now.preview}
          name={file.name}
          error={storing.error}
          onUnit={(field, unit) => void answerUnit(field, unit).catch(() => undefined)}
          onStore={() => void keep().catch(() => undefined)}
          onForget={letGo}
        />
      ) : null}
      {stored && !file ? (
        <div role="status" className="mt-4 border-l-4 border-ink pl-3">
          <p className="font-semibold">
            {stored.stored.toLocaleString()} days stored, {fullDate(stored.from)} to {fullDate(stored.to)}
            {stored.leftOut > 0
              ? `; ${stored.leftOut} ${stored.leftOut === 1 ? 'row' : 'rows'} left out`
              : ''}
            .
          </p>
          {stored.to < garden.today ? (
            <p>
              The record ends before today. To walk through it, set a practice date in{' '}
              <Link className="underline" to="../settings">
                Settings
              </Link>
              .
            </p>
          ) : null}
        </div>
      ) : null}
    </section>
  );
}

/** How far a file is; it can be given up while it is read, not while it is stored. */
function Progress({ view, onCancel }: { view: FileView | null; onCancel: () => void }) {
  const counted = view && view.state !== 'read' && view.of > 0 ? view : null;
  const storing = view?.state === 'storing' || view?.state === 'read';
  return (
    <div role="status" className="mt-3">
      <progress
        className="h-2 w-full accent-ink"
        max={counted?.of ?? 1}
        value={counted ? counted.done : undefined}
        aria-label={storing ? 'Storing' : 'Reading'}
      />
      <p className="flex items-center gap-3">
        <span className="text-quiet">
          {storing ? 'Storing' : 'Reading'}
          {counted
            ? `: ${counted.done.toLocaleString()} of ${counted.of.toLocaleString()} ${storing ? 'days' : 'rows'}`
            : '…'}
        </span>
        {storing ? null : (
          <Button look="quiet" onClick={onCancel}>
            Give it up
          </Button>
        )}
      </p>
    </div>
  );
}

function PasteRows({ busy, onRows }: { busy: boolean; onRows: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <div className="mt-2">
      <label className="block">
        <span className="mb-1 block font-semibold">Rows, the first with the columns’ names</span>
        <textarea
          className="h-32 w-full border border-ink bg-sheet p-2 font-mono text-sm"
          placeholder={'date;tmin;tmax;rain\n2026-07-01;12;26;0'}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <Button disabled={busy || text.trim() === ''} onClick={() => onRows(text)}>
        Read them
      </Button>
    </div>
  );
}
