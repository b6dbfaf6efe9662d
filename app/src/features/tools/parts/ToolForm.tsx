import { useState } from 'react';
import type { AppError } from '@stennet/core/errors';
import { scaleDoubt, TOOL_KINDS, type ShopToolKind } from '@stennet/core/prepare';
import { DRIVES, UNIT_CODES, units, type UnitCode } from '@stennet/core/quantity';
import { asAppError, useKeptForm, type KeptTool } from '@/data';
import { saveTool } from '@/data/shop';
import { newId } from '@/platform/ids';
import { BigButton, ChoiceField, FieldRow, Notice, Section, TextField } from '@/ui';
import { DayField } from '@/forms';
import {
  fieldsOf,
  formOfTool,
  lowestHint,
  readTool,
  type ToolForm as Form,
  type ToolProblems,
} from '../toolForm';
import { text } from '../text';

const TORQUES = UNIT_CODES.filter((u) => units[u].kind === 'torque');

/** A tool as it is read off the tool itself; what is not understood says so beside its field. */
export function ToolForm({ kept, onClose }: { kept: KeptTool | null; onClose: () => void }) {
  const { form, put, clear } = useKeptForm<{ id: string; kind: ShopToolKind; fields: Form }>(
    `tool ${kept?.id ?? 'new'}`,
    {
      id: kept?.id ?? newId(),
      kind: kept?.tool.kind ?? 'click',
      fields: kept ? formOfTool(kept.tool) : { unit: 'N.m' },
    },
  );
  const [problems, setProblems] = useState<ToolProblems>({});
  const [error, setError] = useState<AppError | null>(null);
  const [doubt, setDoubt] = useState<UnitCode | null>(null);
  const set = (name: string, value: string): void => {
    // What was asked about is another scale now.
    setDoubt(null);
    put({ fields: { ...form.fields, [name]: value } });
  };
  const close = (): void => {
    clear();
    onClose();
  };
  const save = (retired: boolean, isSure = false): void => {
    const read = readTool(form.kind, form.fields);
    if ('problems' in read) return setProblems(read.problems);
    setProblems({});
    const better = scaleDoubt(read.tool);
    if (better && !isSure) return setDoubt(better);
    setDoubt(null);
    saveTool(form.id, { version: kept?.version ?? 0, tool: read.tool, retired }).then(
      close,
      (e: unknown) => setError(asAppError(e)),
    );
  };
  return (
    <Section title={kept ? text.edit({ name: kept.tool.name }) : text.add}>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <ChoiceField
        label={text.kind}
        value={form.kind}
        options={TOOL_KINDS.map((k) => ({ value: k, text: text.kinds[k] }))}
        onChange={(kind) => put({ kind })}
      />
      <FieldRow>
        {fieldsOf(form.kind).map((field) => (
          <ToolField
            key={field.name}
            field={field}
            fields={form.fields}
            problem={problems[field.name]}
            onChange={(value) => set(field.name, value)}
          />
        ))}
      </FieldRow>
      {doubt ? (
        <UnitDoubt
          is={form.fields.unit as UnitCode}
          better={doubt}
          onTake={() => set('unit', doubt)}
          onKeep={() => save(kept?.retired ?? false, true)}
        />
      ) : null}
      <BigButton
        text={text.save}
        look="plain"
        size="desk"
        onPress={() => save(kept?.retired ?? false)}
      />
      {kept ? (
        <BigButton
          text={kept.retired ? text.takeOut : text.putAway}
          look="quiet"
          size="desk"
          onPress={() => save(!kept.retired)}
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
  fields,
  problem,
  onChange,
}: {
  field: ReturnType<typeof fieldsOf>[number];
  fields: Form;
  problem: string | undefined;
  onChange: (value: string) => void;
}) {
  const value = fields[name] ?? '';
  if (kind === 'drive' || kind === 'unit' || kind === 'holds')
    return (
      <ChoiceField
        label={label}
        value={value}
        options={CHOICES[kind]()}
        onChange={onChange}
        problem={problem}
      />
    );
  if (kind === 'day')
    return <DayField label={label} value={value} onChange={onChange} problem={problem} />;
  const hint = name === 'min' && !value ? lowestHint(fields) : null;
  return (
    <TextField
      label={label}
      value={value}
      mode={kind === 'number' ? 'decimal' : 'text'}
      onChange={onChange}
      problem={problem ?? hint ?? undefined}
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
