import { useEffect } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import type { GenericSchema } from 'valibot';
import { useKeptForm } from '@/data';
import { useFields } from './useFields';

export interface KeptFields<T extends FieldValues, O> {
  form: UseFormReturn<T, unknown, O>;
  /** What is typed so far, by field. */
  values: T;
  /** Fills in several fields at once. */
  fill: (change: Partial<T>) => void;
  clear: () => void;
  isTouched: boolean;
  isRestored: boolean;
}

/**
 * A form whose fields are checked by a schema and kept on this device while someone types: a
 * closed tab takes nothing. What the schema makes of the fields is what is sent.
 * @param name of the form, one for each thing it may be about
 */
export function useKeptFields<T extends FieldValues, O extends FieldValues>(
  name: string,
  initial: T,
  schema: GenericSchema<T, O>,
): KeptFields<T, O> {
  const kept = useKeptForm<T>(name, initial);
  const form = useFields<T, O>(kept.form, schema);
  const { put, isRestored } = kept;
  useEffect(() => {
    if (isRestored) form.reset(kept.form, { keepErrors: true });
    // Brought back once; from then on what is typed is ahead of what is kept.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isRestored]);
  useEffect(() => {
    return form.subscribe({
      formState: { values: true },
      callback: ({ name: field, values }) => {
        // Of a value inside another the whole is kept.
        const whole = field?.split('.')[0];
        if (whole) put({ [whole]: values[whole] } as Partial<T>);
      },
    });
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [form]);
  return {
    form,
    values: kept.form,
    fill: (change) => {
      put(change);
      for (const [field, value] of Object.entries(change))
        form.setValue(field as never, value as never, {
          shouldValidate: form.formState.isSubmitted,
        });
    },
    clear: () => {
      kept.clear();
      form.reset(initial);
    },
    isTouched: kept.isTouched,
    isRestored,
  };
}
