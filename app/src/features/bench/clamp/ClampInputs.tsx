import type { GasketKind, PartMaterial } from '@stennet/core/clamp';
import { FRICTION_CONDITIONS, FRICTION_TEXT, PROPERTY_CLASSES } from '@stennet/core/thread';
import { ChoiceField, FieldRow, Fold, Section, TextField } from '@/ui';
import { text } from '../text';
import type { ClampForm } from './clampForm';

const UNDER: readonly PartMaterial[] = ['steel', 'castIron', 'aluminum'];
const GASKETS: readonly GasketKind[] = ['none', 'metal', 'soft'];

/** The bolt and how it is tightened; what matters less is folded away. */
export function ClampInputs({
  form,
  wrong,
  onChange,
}: {
  form: ClampForm;
  wrong: keyof ClampForm | null;
  onChange: (change: Partial<ClampForm>) => void;
}) {
  const field = (name: 'thread' | 'torque' | 'angle' | 'grip' | 'bearing', hint?: string) => (
    <TextField
      label={text.clamp.fields[name]}
      value={form[name]}
      onChange={(value) => onChange({ [name]: value })}
      problem={wrong === name ? text.clamp.wrong[name] : undefined}
      {...(hint ? { hint } : {})}
    />
  );
  const frictions = FRICTION_CONDITIONS.map((c) => ({ value: c, text: FRICTION_TEXT[c] }));
  return (
    <Section title={text.clamp.bolt}>
      <FieldRow>
        {field('torque', text.torqueHint)}
        {field('angle')}
      </FieldRow>
      <ChoiceField
        label={text.clamp.beside}
        value={form.beside}
        options={[{ value: 'none' as const, text: text.clamp.nothing }, ...frictions]}
        onChange={(beside) => onChange({ beside })}
      />
      <ChoiceField
        label={text.clamp.surface}
        value={form.condition}
        options={frictions}
        onChange={(condition) => onChange({ condition })}
      />
      {field('thread', text.clamp.threadHint)}
      <ChoiceField
        label={text.clamp.propertyClass}
        value={form.propertyClass}
        options={PROPERTY_CLASSES.map((c) => ({ value: c, text: c }))}
        onChange={(propertyClass) => onChange({ propertyClass })}
        problem={wrong === 'propertyClass' ? text.clamp.wrong.propertyClass : undefined}
      />
      <Fold title={text.clamp.details}>
        <FieldRow>
          {field('grip')}
          {field('bearing')}
        </FieldRow>
        <ChoiceField
          label={text.clamp.under}
          value={form.under}
          options={UNDER.map((u) => ({ value: u, text: text.clamp.materials[u] }))}
          onChange={(under) => onChange({ under })}
        />
        <ChoiceField
          label={text.clamp.gasket}
          value={form.gasket}
          options={GASKETS.map((g) => ({ value: g, text: text.clamp.gaskets[g] }))}
          onChange={(gasket) => onChange({ gasket })}
        />
      </Fold>
    </Section>
  );
}
