import { useState } from 'react';
import { wrenchesOf } from '@stennet/core/prepare';
import { useTools, type Asked } from '@/data';
import { BigButton, ChoiceField, FieldRow, Problem, Section, TextField } from '@/ui';
import { text } from '../text';

type Way = keyof typeof text.ways;
const WAYS = Object.keys(text.ways) as Way[];
const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** By what something is looked for; what stands in the address stands in the fields. */
export function AskForm({
  params,
  onAsk,
}: {
  params: Record<string, string>;
  onAsk: (asked: Asked) => void;
}) {
  const [by, setBy] = useState<Way>(WAYS.find((w) => w === params.by) ?? 'vehicle');
  const [typed, setTyped] = useState<Record<string, string>>(params);
  const tools = useTools();
  const wrenches = wrenchesOf(tools.data?.map((t) => ({ id: t.id, ...t.tool })) ?? []);
  const field = (name: string, label: string, hint = '') => (
    <TextField
      label={label}
      hint={hint}
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
  const badDay =
    by === 'wrench' &&
    ['from', 'to'].some((name) => typed[name]?.trim() && !DAY.test(typed[name]?.trim() ?? ''));
  const isReady = needed.every((name) => typed[name]?.trim()) && !badDay;
  function ask(): void {
    if (!isReady) return;
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
            {field('from', text.from, '2026-05-01')}
            {field('to', text.to, '2026-05-31')}
          </FieldRow>
          <Problem text={badDay ? text.dayWrong : undefined} />
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
