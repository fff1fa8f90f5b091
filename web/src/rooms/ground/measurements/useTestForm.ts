import type { Finding } from '@kibble/core';
import { useCallback, useEffect, useRef } from 'react';
import { useForm, useWatch, type ResolverResult } from 'react-hook-form';
import { useDraftsQuery, useDropDraftMutation, useKeepDraftMutation } from '../../../api/api.ts';
import { useUnits } from '../../../words/units.ts';
import { Reader, type Draft } from './reader.ts';

/** What the contract takes is held against what was typed when it is to be kept, not before the room is drawn. */
const contract = () => import('./findingInput.ts');

/** What a test's form comes to: a reading as the contract takes it. */
export interface Kept {
  input: Finding;
}

export const draftKey = (kind: string, subject: { bedId?: number; tapId?: number }): string =>
  `${kind}:${subject.tapId === undefined ? `bed-${subject.bedId}` : `tap-${subject.tapId}`}`;

/** Typing rests this long before it is sent; a clock that starts is sent at once. */
const REST_MS = 350;
/** How often a tab asks whether another one has gone on with the test. */
const ASK_MS = 4000;

const wrong = (message: string) => ({ type: 'wrong', message });

/**
 * A test's form. What is typed is read as a whole and held against the contract; the draft of it is kept by the server:
 * it survives a reload, is seen by other tabs and devices, and a clock in it is the moment it was started, so that a
 * sleeping screen loses nothing.
 */
export function useTestForm(gardenId: number, key: string, read: (reader: Reader) => Finding | null) {
  const units = useUnits();
  const { data: drafts, isSuccess } = useDraftsQuery(gardenId, {
    pollingInterval: ASK_MS,
    refetchOnFocus: true,
    refetchOnMountOrArgChange: true,
  });
  const [keep] = useKeepDraftMutation();
  const [drop] = useDropDraftMutation();
  const stored = drafts?.find((d) => d.key === key);

  const resolver = async (typed: Draft): Promise<ResolverResult<Draft, Kept>> => {
    const reader = new Reader(typed, units);
    const input = read(reader);
    const checked = input && (await contract()).findingInput.safeParse(input);
    if (input && checked?.success) return { values: { input }, errors: {} };
    const problems = Object.entries(reader.problems).map(([name, words]) => [name, wrong(words)] as const);
    const beyond = checked?.error?.issues[0]?.message ?? '';
    return {
      values: {},
      errors: problems.length > 0 ? Object.fromEntries(problems) : { root: wrong(beyond) },
    };
  };
  const form = useForm<Draft, unknown, Kept>({ defaultValues: {}, resolver });
  const { clearErrors, control, getValues, reset, setValue } = form;
  const draft: Draft = useWatch({ control });

  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const gone = useRef(false);
  const knownAt = useRef('');

  const send = useCallback(() => {
    if (!timer.current) return;
    clearTimeout(timer.current);
    timer.current = null;
    if (!gone.current) void keep({ gardenId, key, body: getValues() });
  }, [keep, gardenId, key, getValues]);

  // Fetched while there is a way home.
  useEffect(() => void contract(), []);

  // What was typed last goes out when the page is left or hidden.
  useEffect(() => {
    window.addEventListener('pagehide', send);
    document.addEventListener('visibilitychange', send);
    return () => {
      window.removeEventListener('pagehide', send);
      document.removeEventListener('visibilitychange', send);
      send();
    };
  }, [send]);

  // Another tab's words are taken over unless something here has not been sent yet.
  useEffect(() => {
    if (!stored || timer.current || stored.updatedAt <= knownAt.current) return;
    knownAt.current = stored.updatedAt;
    reset(stored.body, { keepIsSubmitted: true, keepSubmitCount: true });
  }, [stored, reset]);

  const set = (patch: Draft, now = false): void => {
    for (const [name, value] of Object.entries(patch)) setValue(name, value, { shouldDirty: true });
    // What the contract had against the whole is asked again when it is to be kept.
    clearErrors('root');
    // Until the answer comes, nothing stored before this moment is newer.
    knownAt.current = new Date(Date.now() + REST_MS).toISOString();
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(send, REST_MS);
    if (now) send();
  };

  const finish = (): void => {
    gone.current = true;
    void drop({ gardenId, key });
  };

  return {
    form,
    draft,
    ready: isSuccess,
    set,
    finish,
    started: stored !== undefined || form.formState.isDirty,
  };
}
