import { DEFAULT_SEATED, DEFAULT_SETTLED, type Stage } from '@stennet/core/procedure';
import { FieldRow, ChoiceField, NumberField, FlagsField } from '@/ui';
import type { PutStage } from '../hooks/stageEdit';
import { useEditor } from '../hooks/useEditor';
import { options } from '../options';
import { text } from '../text';

interface FieldsProps {
  stage: Stage;
  put: PutStage;
  place: string;
}

/** How far: of a stage, or of one of several things done on each fastener. */
export function LoosenFields({
  of: { loosen },
  put,
  place,
}: {
  of: Pick<Stage, 'loosen'>;
  put: (over: Pick<Stage, 'loosen'>, key: string) => void;
  place: string;
}) {
  const { problem } = useEditor();
  const kind = typeof loosen === 'object' ? 'degrees' : (loosen ?? 'free');
  return (
    <FieldRow>
      <ChoiceField
        label={text.loosen}
        value={kind}
        options={options.loosens()}
        onChange={(k) => put({ loosen: k === 'degrees' ? { degrees: 180 } : k }, 'loosen')}
        problem={problem(`${place}.loosen`)}
      />
      {typeof loosen === 'object' ? (
        <NumberField
          label={text.degrees}
          value={loosen.degrees}
          onChange={(degrees) => put({ loosen: { degrees: degrees ?? 0 } }, 'degrees')}
        />
      ) : null}
    </FieldRow>
  );
}

export function RepeatFields({ stage, put, place }: FieldsProps) {
  const { problem } = useEditor();
  const repeat = stage.repeat ?? { kind: 'once' as const };
  const START: Record<NonNullable<Stage['repeat']>['kind'], Stage['repeat']> = {
    once: undefined,
    passes: { kind: 'passes', passes: 2 },
    untilSettled: DEFAULT_SETTLED,
    untilSeated: DEFAULT_SEATED,
  };
  const choices = options
    .repeats()
    .filter((o) =>
      stage.action === 'drawDown' ? o.value === 'untilSeated' : o.value !== 'untilSeated',
    );
  return (
    <FieldRow>
      <ChoiceField
        label={text.repeat}
        value={repeat.kind}
        options={choices}
        onChange={(kind) =>
          put(
            {
              repeat: START[kind],
              ...(kind === 'untilSettled' && stage.action === 'torque' && !stage.purpose
                ? { purpose: 'settling' as const }
                : {}),
            },
            'repeat',
          )
        }
        problem={problem(`${place}.repeat`)}
      />
      {repeat.kind === 'passes' ? (
        <NumberField
          label={text.passes}
          value={repeat.passes}
          onChange={(passes) => put({ repeat: { ...repeat, passes: passes ?? 0 } }, 'passes')}
        />
      ) : null}
      {repeat.kind === 'untilSettled' ? (
        <>
          <NumberField
            label={text.maxPasses}
            value={repeat.maxPasses}
            onChange={(maxPasses) =>
              put({ repeat: { ...repeat, maxPasses: maxPasses ?? 0 } }, 'maxPasses')
            }
          />
          <NumberField
            label={text.movedDeg}
            value={repeat.movedMoreThanDeg}
            onChange={(deg) => put({ repeat: { ...repeat, movedMoreThanDeg: deg ?? 0 } }, 'moved')}
          />
        </>
      ) : null}
      {repeat.kind === 'untilSeated' ? (
        <NumberField
          label={text.maxRounds}
          value={repeat.maxRounds}
          onChange={(maxRounds) =>
            put({ repeat: { ...repeat, maxRounds: maxRounds ?? 0 } }, 'rounds')
          }
        />
      ) : null}
    </FieldRow>
  );
}
type Flag = keyof typeof text.flagNames;
export function FlagFields({ stage, put }: { stage: Stage; put: PutStage }) {
  const on: Record<Flag, boolean> = {
    trial: stage.trial === true,
    mayLag: stage.mayLag === true,
    oldPart: stage.with === 'oldPartAsTool',
    finalTorque: stage.finalTorque === true,
    entersYield: stage.entersYield === true,
    derived: stage.derived === true,
  };
  const flags = (Object.keys(on) as Flag[]).filter((f) =>
    f === 'finalTorque'
      ? stage.action === 'check'
      : f === 'entersYield'
        ? stage.action === 'angle' || stage.action === 'torque'
        : true,
  );
  const set = (values: Flag[]): void => {
    const is = (f: Flag): true | undefined => (values.includes(f) ? true : undefined);
    put(
      {
        trial: is('trial'),
        mayLag: is('mayLag'),
        with: is('oldPart') ? 'oldPartAsTool' : undefined,
        finalTorque: is('finalTorque'),
        derived: is('derived'),
        entersYield: values.includes('entersYield')
          ? true
          : stage.entersYield === false
            ? false
            : undefined,
      },
      'flags',
    );
  };
  return (
    <FlagsField
      label={text.flags}
      values={flags.filter((f) => on[f])}
      options={flags.map((f) => ({ value: f, text: text.flagNames[f] }))}
      onChange={set}
    />
  );
}
