import { useState } from 'react';
import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';

import { Field } from '@/ui/field';

export interface FieldOf<Form extends FieldValues> {
  control: Control<Form>;
  name: FieldPath<Form>;
  label: string;
}

interface FormLineProps<Form extends FieldValues> extends FieldOf<Form> {
  /** Digits, as they are typed on a phone. */
  isNumber?: boolean;
  /** In figures of one width. */
  numeric?: boolean;
  lines?: number;
  secret?: 'known' | 'new';
  onSubmit?: () => void;
}

/**
 * Something to type. Nothing is said to be wrong with it before it was left, or the form handed in while it was there: a list of fields that
 * grows is checked at once by react-hook-form, and nobody can have filled in the new one yet.
 */
export function FormLine<Form extends FieldValues>(props: FormLineProps<Form>) {
  const { control, name, label, isNumber = false, numeric = isNumber, lines, secret, onSubmit } = props;
  const { field, fieldState, formState } = useController({ control, name });
  const [countBefore] = useState(formState.submitCount);
  const isChecked = fieldState.isTouched || formState.submitCount > countBefore;
  return (
    <Field
      ref={field.ref}
      label={label}
      value={field.value as string}
      onChange={field.onChange}
      onLeave={field.onBlur}
      error={isChecked ? (fieldState.error?.message ?? null) : null}
      numeric={numeric}
      {...(lines !== undefined && { lines })}
      {...(secret !== undefined && { secret })}
      {...(onSubmit !== undefined && { onSubmit })}
      {...(isNumber && { keyboard: 'phone-pad' as const })}
    />
  );
}
