/** A form whose fields are on this device before the next key: a reload loses nothing that was typed. */
import { useEffect, useRef, useState } from "react";
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from "react-hook-form";

import { fieldErrors, type FieldError } from "../api/client";
import { readDraft, writeDraft } from "../api/draft";
import { parsed } from "../api/stored";

interface DraftForm<T extends FieldValues> {
  form: UseFormReturn<T>;
  /** Whether something was typed that the server does not have. */
  changed: boolean;
  /** What the server refused of what was typed. */
  errors: FieldError[];
  /** Ask the server; what it refuses is told by `errors`, and what was typed stays on this device. */
  attempt: (ask: () => Promise<void>) => Promise<void>;
  /** Show this as what the server keeps, and forget the draft. */
  settle: (kept: T) => void;
  /** Back to what the server has. */
  forget: () => void;
}

/** Like useForm, with `kept` as what the server has, under a name that the draft is found by again. */
export function useDraftForm<T extends FieldValues>(name: string, kept: T): DraftForm<T> {
  const draft = readDraft(name);
  const form = useForm<T>({ defaultValues: parsed<DefaultValues<T>>(draft, kept as DefaultValues<T>) });
  const base = useRef(JSON.stringify(kept));
  const [changed, setChanged] = useState(draft !== "");
  useEffect(() => {
    return form.subscribe({
      formState: { values: true },
      callback: ({ values }) => {
        const text = JSON.stringify(values);
        writeDraft(name, text === base.current ? "" : text);
        setChanged(text !== base.current);
      },
    });
  }, [form, name]);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const attempt = async (ask: () => Promise<void>) => {
    try {
      await ask();
    } catch (problem) {
      setErrors(fieldErrors(problem, " What you typed is stored on this device."));
    }
  };
  const settle = (typed: T) => {
    base.current = JSON.stringify(typed);
    form.reset(typed);
    writeDraft(name, "");
    setChanged(false);
    setErrors([]);
  };
  return { form, changed, errors, attempt, settle, forget: () => settle(kept) };
}
