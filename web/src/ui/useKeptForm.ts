import { useCallback, useEffect, useRef, useState } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormProps,
  type UseFormReturn,
} from 'react-hook-form';
import { checkedBy, type FieldSchemas } from '../words/formSchema.ts';
import { draftOf, forgetDraft, keepDraft } from '../state/drafts.ts';

/** Typing rests so long before it is kept, ms. */
const REST_MS = 200;
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What was typed before and differs from the form as it begins. */
const typedBefore = <T extends FieldValues>(key: string, plain: Partial<T>): [string, unknown][] =>
  Object.entries((draftOf(key) ?? {}) as Record<string, unknown>).filter(
    ([name, value]) => !same(value, plain[name as keyof T]),
  );

export type KeptForm<T extends FieldValues> = UseFormReturn<T> & {
  /** What was typed before the form was left, put back into it, and the way to begin anew; null where there is none. */
  draft: { beginAnew: () => void } | null;
};

/**
 * A form whose typing outlives a reload, a look elsewhere and a closed sheet: it is kept on this device until it is sent
 * or given up by a word.
 * @param key names the form and what it is of; `fields` what each of its fields must be
 */
export function useKeptForm<T extends FieldValues>(
  key: string,
  { fields, ...options }: UseFormProps<T> & { fields: FieldSchemas<T> },
): KeptForm<T> {
  const form = useForm<T>({ ...options, resolver: checkedBy<T>(fields) });
  const { setValue, getValues, reset, subscribe, handleSubmit } = form;
  const [plain] = useState(() => (options.values ?? options.defaultValues ?? {}) as Partial<T>);
  const [before] = useState(() => typedBefore(key, plain));
  const [restored, setRestored] = useState(before.length > 0);
  const sent = useRef(false);
  const forget = useCallback(() => {
    forgetDraft(key);
    setRestored(false);
  }, [key]);

  useEffect(() => {
    for (const [name, value] of before) setValue(name as Path<T>, value as never, { shouldDirty: true });
  }, [before, setValue]);

  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    const keep = (): void => {
      if (timer) clearTimeout(timer);
      timer = null;
      if (sent.current) return;
      const typed = Object.entries(getValues()).filter(
        ([name, value]) => !same(value, plain[name as keyof T]),
      );
      if (typed.length === 0) forgetDraft(key);
      else keepDraft(key, Object.fromEntries(typed));
    };
    const leave = (): void => {
      if (timer) keep();
    };
    const stop = subscribe({
      formState: { values: true },
      callback: ({ type }) => {
        // What is typed after it was sent is a draft again.
        if (type === 'change') sent.current = false;
        if (timer) clearTimeout(timer);
        timer = setTimeout(keep, REST_MS);
      },
    });
    window.addEventListener('pagehide', leave);
    return () => {
      stop();
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [key, plain, subscribe, getValues]);

  return {
    ...form,
    handleSubmit: (valid, invalid) =>
      handleSubmit(async (values, event) => {
        const answer = await valid(values, event);
        sent.current = true;
        forget();
        return answer;
      }, invalid) as never,
    draft: restored
      ? {
          beginAnew: () => {
            reset(plain as DefaultValues<T>);
            forget();
          },
        }
      : null,
  };
}
