import { LIMITS, type FindingView, type Limit, type LimitedField } from '@kibble/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useDraftsQuery, useDropDraftMutation, useKeepDraftMutation } from '../../../app/api.ts';
import { numberRule, typedSi } from '../../../app/numberRule.ts';
import type { Units } from '../../../app/units.ts';

/** What was typed so far of a test: text as typed, choices, and moments (ms) at which a clock was started. */
export type Draft = Record<string, unknown>;

export const draftKey = (kind: string, subject: { bedId?: number; tapId?: number }): string =>
  `${kind}:${subject.tapId === undefined ? `bed-${subject.bedId}` : `tap-${subject.tapId}`}`;

/** Typing rests this long before it is sent; a clock that starts is sent at once. */
const REST_MS = 350;
/** How often a tab asks whether another one has gone on with the test. */
const ASK_MS = 4000;

/**
 * A test's draft, kept by the server: it survives a reload, is seen by other tabs and devices, and a clock in it
 * is the moment it was started, so that a sleeping screen loses nothing.
 */
export function useDraft(gardenId: number, key: string) {
  const { data: drafts, isSuccess } = useDraftsQuery(gardenId, {
    pollingInterval: ASK_MS,
    refetchOnFocus: true,
    refetchOnMountOrArgChange: true,
  });
  const [keep] = useKeepDraftMutation();
  const [drop] = useDropDraftMutation();
  const [local, setLocal] = useState<{ body: Draft; from: string } | null>(null);
  const unsent = useRef<Draft | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const gone = useRef(false);
  const stored = drafts?.find((d) => d.key === key);

  const send = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    const body = unsent.current;
    unsent.current = null;
    if (body && !gone.current) void keep({ gardenId, key, body });
  }, [keep, gardenId, key]);

  // What was typed last goes out when the page is left or hidden.
  useEffect(() => {
    const hide = (): void => send();
    window.addEventListener('pagehide', hide);
    document.addEventListener('visibilitychange', hide);
    return () => {
      window.removeEventListener('pagehide', hide);
      document.removeEventListener('visibilitychange', hide);
      send();
    };
  }, [send]);

  // Another tab's words are taken over unless something here has not been sent yet.
  const storedAt = stored?.updatedAt ?? '';
  if (stored && local?.from !== storedAt && storedAt > (local?.from ?? '')) {
    setLocal({ body: stored.body, from: storedAt });
  }

  const set = (patch: Draft, now = false): void => {
    const body = { ...local?.body, ...patch };
    unsent.current = body;
    // Until the answer comes, nothing stored before this moment is newer.
    setLocal({ body, from: new Date(Date.now() + REST_MS).toISOString() });
    if (timer.current) clearTimeout(timer.current);
    if (now) send();
    else timer.current = setTimeout(send, REST_MS);
  };

  const finish = (): void => {
    gone.current = true;
    unsent.current = null;
    void drop({ gardenId, key });
  };

  return { draft: local?.body ?? {}, ready: isSuccess, set, finish, started: local !== null };
}

/** Reads typed text into SI, collecting what is wrong by field. */
export class Reader {
  readonly problems: Record<string, string> = {};
  /** Fields in which nothing was typed yet: not wrong until somebody wants to keep the test. */
  readonly missing = new Set<string>();
  readonly draft: Draft;
  readonly units: Units;

  constructor(draft: Draft, units: Units) {
    this.draft = draft;
    this.units = units;
  }

  text(name: string, fallback = ''): string {
    const value = this.draft[name];
    return typeof value === 'string' ? value : fallback;
  }

  flag(name: string): boolean {
    return this.draft[name] === true;
  }

  number(name: string, field: LimitedField, fallback = ''): number {
    const text = this.text(name, fallback);
    const rule = numberRule(field, text, this.units);
    if (rule !== true) {
      this.problems[name] = rule;
      if (text.trim() === '') this.missing.add(name);
      return Number.NaN;
    }
    return typedSi(field, text, this.units) ?? Number.NaN;
  }

  optional(name: string, field: LimitedField): number | undefined {
    return this.text(name).trim() === '' ? undefined : this.number(name, field);
  }

  whole(name: string, field: LimitedField, fallback = ''): number {
    const value = this.number(name, field, fallback);
    const limit: Limit = LIMITS[field];
    if (Number.isFinite(value) && !Number.isInteger(value))
      this.problems[name] = `${limit.label} must be a whole number; got ${value}.`;
    return value;
  }

  choice<T extends string>(name: string, values: readonly T[], label: string, fallback?: T): T | undefined {
    const text = this.text(name, fallback ?? '');
    const found = values.find((v) => v === text);
    if (!found) {
      this.problems[name] = `${label} must be chosen.`;
      this.missing.add(name);
    }
    return found;
  }

  /** Says what is wrong with a field beyond its own range. */
  refuse(name: string, words: string): void {
    this.problems[name] ??= words;
  }

  get ok(): boolean {
    return Object.keys(this.problems).length === 0;
  }
}

/** The latest finding of a kind, for showing what was measured last. */
export const latestOf = (findings: readonly FindingView[], kind: string): FindingView | undefined =>
  findings.find((f) => f.input.kind === kind);
