import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormReturn,
} from 'react-hook-form';
import type { z } from 'zod';

import type { OfficeSetup } from '@/core/setup';
import { changeSetup, newProblems, type OfficeProblem, type SetupRefusal } from '@/core/setup/changes';
import type { Edit, SetupRow } from '@/core/setup/edits';
import { selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { changeOffice } from '@/state/configuration';

import { whetherHere } from '../../shared/afterPaint';

/** Where it is said: at the first of its parts, where a field has several. */
function fieldOf<Form extends FieldValues>(field: string, values: Form): Path<Form> {
  const value: unknown = values[field];
  const isGroup = typeof value === 'object' && value !== null && !Array.isArray(value);
  return (isGroup ? `${field}.${Object.keys(value)[0] ?? ''}` : field) as Path<Form>;
}

export interface OfficeForm<Form extends FieldValues> {
  form: UseFormReturn<Form>;
  /** The office as the form shows it: as it was when the form was opened. */
  seen: OfficeSetup;
  /** What is wrong that stands at no field of the form, or can be mended. */
  problems: readonly OfficeProblem[];
  /** Nothing of it is said at a field, so that it is seen at the end alone. */
  isSaidAtEnd: boolean;
  /** Somebody else has changed the same meanwhile. */
  clash: SetupRefusal | null;
  isBusy: boolean;
  keep: () => void;
  /** Mends what is wrong, and keeps it all. */
  repair: (problem: OfficeProblem) => void;
}

interface Options<Form extends FieldValues> {
  schema: z.ZodType<Form, Form>;
  initial: (setup: OfficeSetup) => Form;
  edits: (seen: OfficeSetup, form: Form) => Edit[];
  said: (form: Form) => string;
  /** A row as the form writes it, where the two differ. */
  asForm?: (row: SetupRow) => Partial<Form>;
  onDone: () => void;
}

/**
 * A form whose keeping changes the office. What would be wrong with the office then is said at its field before anything is asked for; what
 * others change meanwhile stays, and where it is the same, it says so and keeps what was filled in.
 */
export function useOfficeForm<Form extends FieldValues>({
  schema,
  initial,
  edits,
  said,
  asForm,
  onDone,
}: Options<Form>): OfficeForm<Form> {
  const dispatch = useAppDispatch();
  const { setup } = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [seen] = useState(setup);
  const [problems, setProblems] = useState<readonly OfficeProblem[]>([]);
  const [isAtFields, setAtFields] = useState(false);
  const [clash, setClash] = useState<SetupRefusal | null>(null);
  const [isBusy, setBusy] = useState(false);
  const form = useForm<Form>({
    resolver: zodResolver(schema),
    defaultValues: initial(seen) as DefaultValues<Form>,
    mode: 'onTouched',
  });

  const say = (found: readonly OfficeProblem[]) => {
    const values = form.getValues();
    const rows = edits(seen, values);
    const isAtField = ({ table, id, field }: OfficeProblem) =>
      field in values && rows.some((row) => table === row.table && id === row.id);
    // Only the first takes the focus: a field that loses it is checked anew, and forgets what was said of it.
    for (const [at, problem] of found.filter(isAtField).entries())
      form.setError(fieldOf(problem.field, values), { message: problem.sentence }, { shouldFocus: at === 0 });
    setAtFields(found.some(isAtField));
    setProblems(found.filter((problem) => !isAtField(problem) || problem.repair !== null));
  };

  const carryOut = async (values: Form, more: readonly Edit[]) => {
    setProblems([]);
    setClash(null);
    const wanted = [...edits(seen, values), ...more];
    const outcome = changeSetup(setup, wanted, { id: '', byId: myId, at: 0 });
    if (!outcome.ok) {
      if (outcome.reason.code === 'nothingToChange') return onDone();
      return setClash(outcome.reason);
    }
    const found = newProblems(setup, outcome.setup);
    if (found.length > 0) return say(found);
    setBusy(true);
    const isHere = whetherHere();
    const refusal = await dispatch(changeOffice(wanted, said(values)));
    setBusy(false);
    if (refusal === null) {
      if (isHere()) onDone();
    } else if (refusal.code === 'badOffice') say(refusal.problems);
    else if (refusal.code === 'changedMeanwhile') setClash(refusal);
  };

  return {
    ...{ form, seen, problems, clash, isBusy },
    isSaidAtEnd: clash !== null || (problems.length > 0 && !isAtFields),
    keep: () => void form.handleSubmit((values) => carryOut(values, []))(),
    repair: ({ repair }) => {
      const values = form.getValues();
      const [first, ...others] = repair?.edits ?? [];
      const { after = null } = first ?? {};
      const isOfForm = edits(seen, values).some(({ table, id }) => table === first?.table && id === first.id);
      if (!isOfForm || after === null || others.length > 0)
        return void form.handleSubmit((read) => carryOut(read, repair?.edits ?? []))();
      // What stands in the form is mended there.
      const mended: Record<string, unknown> = asForm?.(after) ?? after;
      for (const field of Object.keys(values))
        if (field in mended) form.setValue(field as Path<Form>, mended[field] as never);
      form.clearErrors();
      setProblems([]);
    },
  };
}
