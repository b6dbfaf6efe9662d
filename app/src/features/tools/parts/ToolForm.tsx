import { useState } from 'react';
import { useWatch, type Control } from 'react-hook-form';
import type { AppError } from '@stennet/core/errors';
import { scaleDoubt, TOOL_KINDS, type ShopTool, type ShopToolKind } from '@stennet/core/prepare';
import { DRIVES, UNIT_CODES, units, type UnitCode } from '@stennet/core/quantity';
import { asAppError, type KeptTool } from '@/data';
import { saveTool } from '@/data/shop';
import { newId } from '@/platform/ids';
import { BigButton, FieldRow, Notice, Section } from '@/ui';
import { FormChoice, FormDay, FormText, useKeptFields } from '@/forms';
import { fieldsOf, formOfTool, lowestHint, ToolFields, type ToolForm as Form } from '../toolForm';
import { text } from '../text';

const TORQUES = UNIT_CODES.filter((u) => units[u].kind === 'torque');

/** Every field of every kind stands from the start: none of them is ever without a value. */
const BLANK: Form = Object.fromEntries(
  TOOL_KINDS.flatMap((kind) => fieldsOf(kind).map(({ name }) => [name, ''])),
);

/** A scale that no wrench of its drive has: the unit that would fit, of what was typed so. */
interface Doubt {
  better: UnitCode;
  typed: string;
}

/** A tool as it is read off the tool itself; what is not understood says so beside its field. */
export function ToolForm({ kept, onClose }: { kept: KeptTool | null; onClose: () => void }) {
  const { form, values, fill, clear } = useKeptFields<Form, { tool: ShopTool }>(
    `shop tool ${kept?.id ?? 'new'}`,
    {
      ...BLANK,
      id: kept?.id ?? newId(),
      kind: kept?.tool.kind ?? 'click',
      ...(kept ? formOfTool(kept.tool) : { unit: 'N.m' }),
    },
    ToolFields,
  );
  const [error, setError] = useState<AppError | null>(null);
  const [doubted, setDoubt] = useState<Doubt | null>(null);
  const typed = JSON.stringify(values);
  // Anything typed since makes it another scale.
  const doubt = doubted?.typed === typed ? doubted.better : null;
  const close = (): void => {
    clear();
    onClose();
  };
  const save = (retired: boolean, isSure = false): void =>
    void form.handleSubmit(({ tool }) => {
      const better = scaleDoubt(tool);
      if (better && !isSure) return setDoubt({ better, typed });
      return saveTool(values.id ?? newId(), { version: kept?.version ?? 0, tool, retired }).then(
        close,
        (e: unknown) => setError(asAppError(e)),
      );
    })();
  const isRetired = kept?.retired ?? false;
  return (
    <Section title={kept ? text.edit({ name: kept.tool.name }) : text.add}>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <FormChoice
        control={form.control}
        name="kind"
        label={text.kind}
        options={TOOL_KINDS.map((k) => ({ value: k, text: text.kinds[k] }))}
      />
      <FieldRow>
        {fieldsOf(values.kind as ShopToolKind).map((field) => (
          <ToolField key={field.name} control={form.control} field={field} />
        ))}
      </FieldRow>
      {doubt ? (
        <UnitDoubt
          is={values.unit as UnitCode}
          better={doubt}
          onTake={() => fill({ unit: doubt })}
          onKeep={() => save(isRetired, true)}
        />
      ) : null}
      <BigButton text={text.save} look="plain" size="desk" onPress={() => save(isRetired)} />
      {kept ? (
        <BigButton
          text={isRetired ? text.takeOut : text.putAway}
          look="quiet"
          size="desk"
          onPress={() => save(!isRetired)}
        />
      ) : null}
      <BigButton text={text.cancel} look="quiet" size="desk" onPress={close} />
    </Section>
  );
}

const CHOICES = {
  drive: () => DRIVES.map((d) => ({ value: d as string, text: d as string })),
  unit: () => TORQUES.map((u) => ({ value: u as string, text: units[u].symbol })),
  holds: () =>
    (['loosening', 'tightening', 'both'] as const).map((h) => ({
      value: h as string,
      text: text[h],
    })),
};

function ToolField({
  field: { name, label, kind },
  control,
}: {
  field: ReturnType<typeof fieldsOf>[number];
  control: Control<Form, unknown, { tool: ShopTool }>;
}) {
  const [min, max] = useWatch({ control, name: ['min', 'max'] });
  if (kind === 'drive' || kind === 'unit' || kind === 'holds')
    return <FormChoice control={control} name={name} label={label} options={CHOICES[kind]()} />;
  if (kind === 'day') return <FormDay control={control} name={name} label={label} />;
  const note = name === 'min' && !min ? lowestHint({ max: max ?? '' }) : null;
  return (
    <FormText
      control={control}
      name={name}
      label={label}
      mode={kind === 'number' ? 'decimal' : 'text'}
      note={note ?? undefined}
    />
  );
}

/** A scale that no wrench of its drive has: asked before it sets anyone's wrench. */
function UnitDoubt({
  is,
  better,
  onTake,
  onKeep,
}: {
  is: UnitCode;
  better: UnitCode;
  onTake: () => void;
  onKeep: () => void;
}) {
  const [said, offered] = [units[is].symbol, units[better].symbol];
  return (
    <>
      <Notice
        title={text.unitDoubt({ is: said, better: offered })}
        text={text.unitDoubtText}
        look="warn"
        alert
      />
      <BigButton
        text={text.unitTake({ unit: offered })}
        look="plain"
        size="desk"
        onPress={onTake}
      />
      <BigButton text={text.unitKeep({ unit: said })} look="quiet" size="desk" onPress={onKeep} />
    </>
  );
}
