import type { Stage, Target } from '@stennet/core/procedure';
import { asRead, type Formatter, type UnitCode } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { ChoiceField, FieldRow, Line, NumberField } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { options } from '../options';
import { text } from '../text';
import type { PutStage } from '../hooks/stageEdit';

interface Props {
  stage: Stage;
  place: string;
  put: PutStage;
  /** The unit that a value begins in. */
  unit: UnitCode;
}

/**
 * The published value with its unit and tolerance; two values make a range of which one is chosen.
 */
export function TargetFields({ stage, place, put, unit }: Props) {
  const { problem } = useEditor();
  return (
    <>
      <ValueFields
        value={stage.target}
        unit={unit}
        label={text.target}
        problem={problem(`${place}.target`)}
        onChange={(target, key) =>
          put({ target, ...(target ? {} : { tolerance: undefined }) }, key)
        }
      />
      <FieldRow>
        <NumberField
          label={text.plus}
          value={stage.tolerance?.plus}
          onChange={(plus) =>
            put({ tolerance: tolerance(plus, stage.tolerance?.minus ?? plus) }, 'plus')
          }
          problem={problem(`${place}.tolerance`)}
        />
        <NumberField
          label={text.minus}
          value={stage.tolerance?.minus}
          onChange={(minus) =>
            put({ tolerance: tolerance(stage.tolerance?.plus ?? minus, minus) }, 'minus')
          }
        />
      </FieldRow>
      {stage.action === 'stretch' ? (
        <ValueFields
          value={stage.fallback}
          unit="N.m"
          label={text.fallback}
          problem={problem(`${place}.fallback`)}
          onChange={(fallback, key) => put({ fallback }, `fallback ${key}`)}
        />
      ) : null}
    </>
  );
}

const tolerance = (plus: number | undefined, minus: number | undefined): Stage['tolerance'] =>
  plus === undefined && minus === undefined ? undefined : { plus: plus ?? 0, minus: minus ?? 0 };

interface ValueProps {
  value: Target | undefined;
  unit: UnitCode;
  label: string;
  problem: string | undefined;
  onChange: (value: Target | undefined, key: string) => void;
}

const PRINTED: readonly UnitCode[] = ['N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]'];

/** The same value as another page would print it: a wrong unit shows at once. */
function inOtherUnits(
  format: Formatter,
  low: number,
  high: number | undefined,
  unit: UnitCode,
): string {
  return PRINTED.filter((other) => other !== unit)
    .map((other) => {
      const as = (value: number) => format.quantity(asRead({ value, unit }, other));
      return high === undefined ? as(low).text : `${as(low).number}–${as(high).text}`;
    })
    .join(' · ');
}

export function ValueFields({ value, unit: preferred, label, problem, onChange }: ValueProps) {
  const { format } = useSignedIn();
  const unit = value?.unit ?? preferred;
  const low = value ? ('value' in value ? value.value : value.min) : undefined;
  const high = value && 'max' in value ? value.max : undefined;
  const recommended = value && 'max' in value ? value.recommended : undefined;
  const made = (
    from: number | undefined,
    to: number | undefined,
    best: number | undefined,
  ): Target | undefined =>
    from === undefined
      ? undefined
      : to === undefined
        ? { value: from, unit }
        : { min: from, max: to, unit, ...(best === undefined ? {} : { recommended: best }) };
  const isTorque = unit !== 'deg' && unit !== 'mm' && unit !== '[in_i]';
  return (
    <>
      <FieldRow>
        <NumberField
          label={unit === 'deg' ? `${label}, °` : label}
          value={low}
          onChange={(v) => onChange(made(v, high, recommended), 'value')}
          problem={problem}
        />
        <NumberField
          label={text.to}
          value={high}
          onChange={(v) => onChange(made(low, v, recommended), 'to')}
        />
        {high === undefined ? null : (
          <NumberField
            label={text.recommended}
            value={recommended}
            onChange={(v) => onChange(made(low, high, v), 'recommended')}
          />
        )}
      </FieldRow>
      {isTorque && low !== undefined ? (
        <Line>{text.sameValue({ values: inOtherUnits(format, low, high, unit) })}</Line>
      ) : null}
      {unit === 'deg' ? null : (
        <ChoiceField
          label={text.unit}
          value={unit}
          options={
            (isTorque ? options.torqueUnits() : options.lengthUnits()) as {
              value: UnitCode;
              text: string;
            }[]
          }
          onChange={(u) => value && onChange({ ...value, unit: u }, 'unit')}
        />
      )}
    </>
  );
}
