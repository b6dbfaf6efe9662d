import { valibotResolver } from '@hookform/resolvers/valibot';
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { GenericSchema } from 'valibot';

/**
 * A form whose fields are checked by a schema, each with what is wrong beneath it; the first wrong
 * one takes the focus. Nothing of it is kept: for secrets, and for what `useKeptFields` keeps.
 */
export function useFields<T extends FieldValues, O extends FieldValues>(
  initial: T,
  schema: GenericSchema<T, O>,
): UseFormReturn<T, unknown, O> {
  return useForm<T, unknown, O>({
    defaultValues: initial as DefaultValues<T>,
    resolver: valibotResolver(schema) as never,
    shouldFocusError: true,
  });
}
