import type { Finding, FindingKind, SafetyAct } from '@kibble/core';
import type { ComponentType } from 'react';
import type { Reader } from './reader.ts';
import type { TestState } from './parts.tsx';

/** One guided test: what it is for, its steps with their fields, how they are read, and what the reading says. */
export interface TestPage {
  kind: FindingKind;
  title: string;
  /** One sentence: what it tells and why that matters. */
  about: string;
  needs: string;
  Steps: ComponentType;
  /** The reading in SI; what is wrong is left in the reader. */
  read: (reader: Reader, state: Pick<TestState, 'bed' | 'known' | 'lastWatering'>) => Finding | null;
  Result: ComponentType<{ input: Finding }>;
  /** What in it can hurt somebody. */
  cautions?: readonly SafetyAct[];
  /** Words on the button; default “Keep this”. */
  keep?: string;
}

/** The reading of one kind, for a result that is only shown for its own. */
export type Reading<K extends FindingKind> = Extract<Finding, { kind: K }>;
