import { useState } from 'react';
import * as v from 'valibot';
import { DaySchema } from '@stennet/core/contract';
import { wrenchesOf } from '@stennet/core/prepare';
import { useTools, type Asked } from '@/data';
import { bare } from '@stennet/core/find';
import { BigButton, ChoiceField, FieldRow, Section, TextField } from '@/ui';
import { DayField } from '@/forms';
import { text } from '../text';

/** Of a plate or a VIN, to be looked for. */
const LEAST = 3;
const VIN_LENGTH = 17;
type Way = keyof typeof text.ways;
const WAYS = Object.keys(text.ways) as Way[];

/** By what something is looked for; what stands in the address stands in the fields. */
export function AskForm({
  params,
  onAsk,
}: {
  params: Record<string, string>;
  onAsk: (asked: Asked) => void;
}) {
  const [by, setBy] = useState<Way>(WAYS.find((w) => w === params.by) ?? 'vehicle');
  const [typed, setTyped] = useState<Record<string, string>>({
    ...params,
    ...(params.plate ? { vin: params.plate } : {}),
  });
  const tools = useTools();
  const wrenches = wrenchesOf(tools.data?.map((t) => ({ id: t.id, ...t.tool })) ?? []);
  const field = (name: string, label: string) => (
    <TextField
      label={label}
      value={typed[name] ?? ''}
      onChange={(value) => setTyped({ ...typed, [name]: value })}
      onSubmit={ask}
    />
  );
  const needed = {
    vehicle: ['vin'],
    joint: ['engine', 'kind'],
    wrench: ['tool'],
    sheet: ['sheet', 'revision'],
    lot: ['lot'],
  }[by];
  const isReady =
    needed.every((name) => typed[name]?.trim()) &&
    (by !== 'vehicle' || bare(typed.vin ?? '').length >= LEAST) &&
    (by !== 'wrench' ||
      ['from', 'to'].every((name) => !typed[name] || v.is(DaySchema, typed[name])));
  function ask(): void {
    if (!isReady) return;
    const plate = bare(typed.vin ?? '');
    if (by === 'vehicle' && plate.length !== VIN_LENGTH) return onAsk({ by: 'plate', plate });
    const names = [...needed, ...(by === 'wrench' ? ['from', 'to'] : [])];
    onAsk({
      by,
      ...Object.fromEntries(
        names.flatMap((name) =>
          typed[name]?.trim() ? [[name, tidy(name, typed[name] ?? '')]] : [],
        ),
      ),
    });
  }
  return (
    <Section title={text.tightened}>
      <ChoiceField
        label={text.by}
        value={by}
        options={WAYS.map((value) => ({ value, text: text.ways[value] }))}
        onChange={setBy}
      />
      {by === 'vehicle' ? field('vin', text.vin) : null}
      {by === 'lot' ? field('lot', text.lot) : null}
      {by === 'joint' ? (
        <FieldRow>
          {field('engine', text.engine)}
          {field('kind', text.kind)}
        </FieldRow>
      ) : null}
      {by === 'sheet' ? (
        <FieldRow>
          {field('sheet', text.sheet)}
          {field('revision', text.revision)}
        </FieldRow>
      ) : null}
      {by === 'wrench' ? (
        <>
          <ChoiceField
            label={text.wrench}
            value={typed.tool}
            options={wrenches.map((w) => ({ value: w.id, text: w.name }))}
            onChange={(tool) => setTyped({ ...typed, tool })}
          />
          <FieldRow>
            {(['from', 'to'] as const).map((name) => (
              <DayField
                key={name}
                label={text[name]}
                value={typed[name] ?? ''}
                onChange={(day) => setTyped({ ...typed, [name]: day })}
              />
            ))}
          </FieldRow>
        </>
      ) : null}
      <BigButton text={text.look} size="desk" disabled={!isReady} onPress={ask} />
    </Section>
  );
}

/** As it is kept: a vehicle's number without blanks, a kind of joint with hyphens. */
function tidy(name: string, value: string): string {
  if (name === 'vin') return value.replace(/[\s-]/g, '').toUpperCase();
  if (name === 'kind') return value.trim().toLowerCase().replace(/\s+/g, '-');
  return name === 'engine' || name === 'revision' ? value.trim().toUpperCase() : value.trim();
}
