/** A form whose fields are on this device before the next key: a reload loses nothing that was typed. */
import { useEffect, useRef, useState } from "react";
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from "react-hook-form";

import { basisOf, beginFrom, forgetBasis, overtaken } from "../api/basis";
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
  /** The version of what stands in the form: its draft's where there is one, else the one that was shown when it was filled. */
  basis: () => number;
  /** Show this as what the server keeps, as this version, and forget the draft. */
  settle: (kept: T, version?: number) => void;
  /** Back to what the server has. */
  forget: () => void;
}

/** Like useForm, with `kept` as what the server has, of this version where it has one, under a name that the draft is found by again. */
export function useDraftForm<T extends FieldValues>(name: string, kept: T, version = 0): DraftForm<T> {
  const draft = readDraft(name);
  const form = useForm<T>({ defaultValues: parsed<DefaultValues<T>>(draft, kept as DefaultValues<T>) });
  const base = useRef(JSON.stringify(kept));
  // What others write meanwhile comes with a newer version, and is not in the form: only told of it, one may save over it.
  const filled = useRef<number | null>(version);
  const basis = () => basisOf(name, filled.current ?? version);
  const [changed, setChanged] = useState(draft !== "");
  useEffect(() => {
    return form.subscribe({
      formState: { values: true },
      callback: ({ values }) => {
        const text = JSON.stringify(values);
        writeDraft(name, text === base.current ? "" : text);
        if (text === base.current) forgetBasis(name);
        else beginFrom(name, filled.current ?? version);
        setChanged(text !== base.current);
      },
    });
  }, [form, name, version]);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const attempt = async (ask: () => Promise<void>) => {
    try {
      await ask();
    } catch (problem) {
      const told = fieldErrors(problem, " What you typed is stored on this device.");
      const more = overtaken(name, problem);
      if (more) filled.current = null;
      setErrors(told.map((one) => ({ ...one, message: one.message + more })));
    }
  };
  const settle = (typed: T, now = version) => {
    filled.current = now;
    base.current = JSON.stringify(typed);
    // The fields stay registered: the compiler does not ask for them anew, and a field that is not known is not filled again.
    form.reset(typed, { keepFieldsRef: true });
    writeDraft(name, "");
    forgetBasis(name);
    setChanged(false);
    setErrors([]);
  };
  return { form, changed, errors, attempt, basis, settle, forget: () => settle(kept) };
}
