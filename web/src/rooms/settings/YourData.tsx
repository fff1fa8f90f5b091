import type { CopyView, LookView } from '@kibble/contract';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  useLookAtCopyMutation,
  useLookAtFileMutation,
  useLookProgressQuery,
  useMakeCopyMutation,
  useRestoreDataMutation,
  useYourDataQuery,
} from '../../api/settings.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { fullDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';

const WHY: Readonly<Record<CopyView['reason'], string>> = {
  update: 'before an update',
  nightly: 'nightly',
  restore: 'before something was put back',
  reset: 'before a fresh start',
  asked: 'when you asked',
};
const COPIES_SHOWN = 8;

const sizeText = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
const momentText = (iso: string): string =>
  new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** Where the data lies, its copies, everything out into a file and back in. */
export function YourData() {
  const { data, error } = useYourDataQuery(null);
  const dispatch = useAppDispatch();
  const [copyNow, { isLoading: copying, error: notCopied }] = useMakeCopyMutation();
  const bring = useBringBack();
  const [all, setAll] = useState(false);
  if (error || !data) return null;
  const shown = all ? data.copies : data.copies.slice(0, COPIES_SHOWN);
  return (
    <section className="mt-10 max-w-xl" aria-labelledby="your-data">
      <h2 id="your-data" className="mb-1 text-2xl">
        Your data
      </h2>
      <p className="border-t border-ink pt-2">
        Everything is in one file on this machine, {sizeText(data.bytes)}:
        <span className="block wrap-anywhere">{data.file}</span>
      </p>
      <p className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <a
          className="inline-flex min-h-11 items-center bg-ink px-4 font-semibold text-paper"
          href="/api/your-data/archive"
          download
        >
          Write everything to a file
        </a>
        <BringFile bring={bring} label="Put a file back" />
      </p>
      <p className="mt-2 text-sm text-quiet">
        One zip with the database, a table for any spreadsheet, and JSON. It opens in Kibble on any other
        computer.
      </p>
      <Refused error={bring.error ?? notCopied} className="mt-2" />
      <h3 className="mt-5 text-lg">Copies beside it</h3>
      <p className="text-sm text-quiet">
        Made each night while Kibble runs, and before every update; the last five of each are kept.
      </p>
      <ul>
        {shown.map((copy) => (
          <li key={copy.name} className="flex items-baseline gap-4 border-t border-rule">
            <span className="flex-1">
              {momentText(copy.madeAt)}, <span className="text-quiet">{WHY[copy.reason]}</span>
            </span>
            <span className="text-quiet">{sizeText(copy.bytes)}</span>
            <Button
              look="quiet"
              aria-label={`Look into it: the copy of ${momentText(copy.madeAt)}`}
              onClick={() => bring.copy(copy)}
            >
              Look into it
            </Button>
          </li>
        ))}
      </ul>
      {data.copies.length === 0 ? <p className="border-t border-rule py-1">None yet.</p> : null}
      {data.copies.length > COPIES_SHOWN ? (
        <Button look="quiet" className="-ml-4" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${data.copies.length}`}
        </Button>
      ) : null}
      <Button
        look="quiet"
        className="-ml-4"
        disabled={copying}
        onClick={() =>
          void copyNow(null)
            .unwrap()
            .then(() => dispatch(noticeShown({ text: 'A copy lies beside your data.' })))
            .catch(() => undefined)
        }
      >
        Make a copy now
      </Button>
      <LookSheet bring={bring} />
    </section>
  );
}

type Bring = ReturnType<typeof useBringBack>;

/** Bringing a file or a copy back: looked at first, then, if wanted, put in the place of what stands. */
export function useBringBack() {
  const [lookAtFile, fileState] = useLookAtFileMutation();
  const [lookAtCopy, copyState] = useLookAtCopyMutation();
  const [restore, restoreState] = useRestoreDataMutation();
  const [look, setLook] = useState<LookView | null>(null);
  return {
    look,
    busy: fileState.isLoading || copyState.isLoading || restoreState.isLoading,
    error: fileState.error ?? copyState.error,
    restoreError: restoreState.error,
    file: (file: File) =>
      void lookAtFile(file)
        .unwrap()
        .then((found) => setLook({ ...found, name: file.name }))
        .catch(() => undefined),
    copy: ({ name, madeAt }: CopyView) =>
      void lookAtCopy(name)
        .unwrap()
        .then((found) => setLook({ ...found, name: `The copy of ${momentText(madeAt)}` }))
        .catch(() => undefined),
    forget: () => {
      restoreState.reset();
      setLook(null);
    },
    restore: (token: string) => restore(token).unwrap(),
  };
}

const ASK_MS = 1000;

/** How far a file that is being checked is: a large garden's takes a minute. */
function Checking() {
  const { data } = useLookProgressQuery(null, { pollingInterval: ASK_MS, refetchOnMountOrArgChange: true });
  return (
    <span role="status">
      {data && data.of > 0
        ? `Checking the file: ${data.done.toLocaleString()} of ${data.of.toLocaleString()} rows`
        : 'Checking the file…'}
    </span>
  );
}

export function BringFile({ bring, label }: { bring: Bring; label: string }) {
  return (
    <label className="inline-flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4 focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-ink">
      {bring.busy ? <Checking /> : label}
      <input
        type="file"
        accept=".zip,.sqlite,.json"
        className="sr-only"
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          if (chosen) bring.file(chosen);
          e.target.value = '';
        }}
      />
    </label>
  );
}

/** What a file holds, and the question whether it shall take the place of what stands. */
export function LookSheet({ bring }: { bring: Bring }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { look } = bring;
  if (!look) return null;
  const put = async (): Promise<void> => {
    const { gardens, undo } = await bring.restore(look.token);
    bring.forget();
    dispatch(
      noticeShown({
        text: `${gardens.map((g) => g.name).join(', ') || 'Nothing'} put back.`,
        undo: undo
          ? [
              { to: 'lookAtCopy', body: { copy: undo } },
              { to: 'restore', takes: 'token' },
            ]
          : undefined,
      }),
    );
    void navigate('/');
  };
  return (
    <Sheet open onClose={bring.forget} title="What this file holds">
      <p className="mb-2 break-all text-quiet">{look.name}</p>
      {look.gardens.length === 0 ? <p className="font-semibold">No garden.</p> : null}
      <ul>
        {look.gardens.map((garden, i) => (
          <li key={i} className="border-t border-rule py-2">
            <strong>{garden.name}</strong>: {garden.beds} {garden.beds === 1 ? 'bed' : 'beds'},{' '}
            {garden.waterings} waterings, {garden.readings} readings
            {garden.from && garden.to ? `, ${fullDate(garden.from)} to ${fullDate(garden.to)}` : ''}.
          </li>
        ))}
      </ul>
      <p className="border-t border-rule py-2">{look.weatherDays.toLocaleString()} days of weather.</p>
      <p className="mb-4 font-semibold">
        It takes the place of everything that is here now. A copy of what is here is made first, and you can
        undo it.
      </p>
      <Refused error={bring.restoreError} className="mt-2" />
      <div className="flex flex-wrap gap-2">
        <Button disabled={bring.busy} onClick={() => void put().catch(() => undefined)}>
          Put it back
        </Button>
        <Button look="quiet" onClick={bring.forget}>
          Leave things as they are
        </Button>
      </div>
    </Sheet>
  );
}
