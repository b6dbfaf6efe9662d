import { useState, type ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import type { GenericSchema } from 'valibot';
import { useKeptFields, type KeptFields } from '@/forms';
import { BigButton, Line, Notice } from '@/ui';
import type { Change } from '@/data';
import { useSave } from '../hooks/useSave';
import { SaveButtons } from './SaveButtons';

interface Props<T extends FieldValues, O extends FieldValues> {
  order: string;
  /** Of what is typed, kept on this device under this name and the order. */
  name: string;
  /** On the button that opens the fields. */
  add: string;
  hint?: string | undefined;
  initial: T;
  schema: GenericSchema<T, O>;
  body: (read: O) => Change['body'];
  /** Open from the start, without a button. */
  isOpen?: boolean;
  onDone?: (() => void) | undefined;
  children: (fields: KeptFields<T, O>) => ReactNode;
}

/** A new entry on an order: a button, then its fields, with what is wrong beside each. */
export function AddEntry<T extends FieldValues, O extends FieldValues>(props: Props<T, O>) {
  const { order, name, add, hint, initial, schema, body, isOpen = false, onDone } = props;
  const [open, setOpen] = useState(isOpen);
  const { problem, save } = useSave();
  const fields = useKeptFields<T, O>(`${name} ${order}`, initial, schema);
  const close = (): void => {
    fields.clear();
    setOpen(isOpen);
    onDone?.();
  };
  if (!open && !fields.isTouched)
    return (
      <>
        {hint ? <Line>{hint}</Line> : null}
        <BigButton text={add} look="quiet" size="desk" onPress={() => setOpen(true)} />
      </>
    );
  return (
    <>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {props.children(fields)}
      <SaveButtons
        onSave={() =>
          void fields.form.handleSubmit((read) => save({ order, body: body(read) }, close))()
        }
        onLetGo={close}
      />
    </>
  );
}
