import type { Stage } from '@stennet/core/procedure';
import { stageWords } from '@stennet/core/procedure';
import type { UnitCode } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import {
  BigButton,
  ChoiceField,
  FieldRow,
  FlagsField,
  NumberField,
  Section,
  TextField,
} from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, said } from '../lists';
import {
  ACTION_OPTIONS,
  LOOSEN_OPTIONS,
  ORDER_OPTIONS,
  PURPOSE_OPTIONS,
  REPEAT_OPTIONS,
} from '../options';
import { text } from '../text';
import { NamesField } from './NamesField';
import { PartsForm } from './PartsForm';
import type { PutStage, StageList } from '../hooks/stageEdit';
import { TargetFields } from './TargetFields';
import { HoldFields, WaitFields } from './StageMore';

const VALUED: readonly Stage['action'][] = ['torque', 'angle', 'check', 'stretch', 'draw'];
const ORDERED: readonly Stage['action'][] = [
  'torque',
  'angle',
  'check',
  'stretch',
  'loosen',
  'handStart',
  'runDown',
  'drawDown',
  'swap',
  'each',
];
/** The unit that a value begins in, by what is done. */
const unitFor = (action: Stage['action'], preferred: UnitCode): UnitCode =>
  action === 'angle' ? 'deg' : action === 'stretch' || action === 'draw' ? 'mm' : preferred;

/** One stage, with the fields that its action has. */
export function StageForm({
  stage,
  at,
  list,
  onTapOrder,
}: {
  stage: Stage;
  at: number;
  list: StageList;
  onTapOrder: (stageId: string) => void;
}) {
  const { draft, change, problem } = useEditor();
  const { me, format } = useSignedIn();
  const place = `${list}.${at}`;
  const autoName = (s: Stage): string =>
    s.target
      ? stageWords(s, format)
      : (ACTION_OPTIONS.find((o) => o.value === s.action)?.text ?? '');
  const put: PutStage = (over, key) =>
    change((d) => {
      const next = changed(d[list], at, (s) => {
        const after = said({ ...s, ...over });
        // A name that only said the value follows the value.
        const isOwn = s.name !== '' && s.name !== autoName(s);
        return over.name === undefined && !isOwn
          ? { ...after, name: autoName(after).slice(0, 60) }
          : after;
      });
      return { ...d, [list]: next };
    }, `${place}.${key}`);
  const become = (action: Stage['action']): void => {
    const keepsTarget =
      VALUED.includes(action) &&
      stage.target !== undefined &&
      unitFor(action, me.shop.torqueUnit) === unitFor(stage.action, me.shop.torqueUnit);
    put(
      {
        action,
        target: keepsTarget ? stage.target : undefined,
        tolerance: keepsTarget ? stage.tolerance : undefined,
        loosen: action === 'loosen' ? 'free' : undefined,
        repeat:
          action === 'drawDown'
            ? { kind: 'untilSeated', maxRounds: 12 }
            : action === 'check'
              ? { kind: 'untilSettled', maxPasses: 3, movedMoreThanDeg: 3 }
              : undefined,
        waitUntil: action === 'wait' ? { minutes: 10 } : undefined,
        step: undefined,
        ifNot: undefined,
        each: action === 'each' ? EACH : undefined,
        purpose: action === 'torque' || action === 'angle' ? stage.purpose : undefined,
      },
      'action',
    );
  };
  return (
    <Section title={text.stageOf(at + 1, draft[list].length)}>
      <ChoiceField
        label={text.action}
        value={stage.action}
        options={ACTION_OPTIONS}
        onChange={become}
        problem={problem(place, true)}
      />
      {VALUED.includes(stage.action) ? (
        <TargetFields
          stage={stage}
          place={place}
          put={put}
          unit={unitFor(stage.action, me.shop.torqueUnit)}
        />
      ) : null}
      {stage.action === 'loosen' ? <LoosenFields stage={stage} put={put} place={place} /> : null}
      {stage.action === 'each' ? <PartsForm stage={stage} place={place} put={put} /> : null}
      {stage.action === 'wait' ? <WaitFields stage={stage} put={put} place={place} /> : null}
      {stage.action === 'hold' || stage.action === 'do' || stage.action === 'turnCrank' ? (
        <HoldFields stage={stage} put={put} place={place} />
      ) : null}
      <TextField
        label={text.name}
        value={stage.name}
        onChange={(name) => put({ name }, 'name')}
        problem={problem(`${place}.name`)}
      />
      <OnFields stage={stage} put={put} place={place} />
      {ORDERED.includes(stage.action) ? (
        <OrderFields
          stage={stage}
          put={put}
          place={place}
          onTapOrder={list === 'stages' ? () => onTapOrder(stage.id) : undefined}
        />
      ) : null}
      {['torque', 'check', 'drawDown'].includes(stage.action) ? (
        <RepeatFields stage={stage} put={put} place={place} />
      ) : null}
      {stage.action === 'torque' || stage.action === 'angle' ? (
        <ChoiceField
          label={text.purpose}
          value={stage.purpose}
          options={PURPOSE_OPTIONS}
          onChange={(purpose) => put({ purpose }, 'purpose')}
        />
      ) : null}
      <FlagFields stage={stage} put={put} />
      <TextField
        label={text.note}
        value={stage.note ?? ''}
        onChange={(note) => put({ note: note || undefined }, 'note')}
        lines={2}
        problem={problem(`${place}.note`)}
      />
    </Section>
  );
}

const EACH: Stage['each'] = [
  { id: 'part-1', action: 'loosen', loosen: 'free' },
  { id: 'part-2', action: 'torque' },
];

function LoosenFields({ stage, put, place }: { stage: Stage; put: PutStage; place: string }) {
  const { problem } = useEditor();
  const kind = typeof stage.loosen === 'object' ? 'degrees' : (stage.loosen ?? 'free');
  return (
    <FieldRow>
      <ChoiceField
        label={text.loosen}
        value={kind}
        options={LOOSEN_OPTIONS}
        onChange={(k) => put({ loosen: k === 'degrees' ? { degrees: 180 } : k }, 'loosen')}
        problem={problem(`${place}.loosen`)}
      />
      {typeof stage.loosen === 'object' ? (
        <NumberField
          label={text.degrees}
          value={stage.loosen.degrees}
          onChange={(degrees) => put({ loosen: { degrees: degrees ?? 0 } }, 'degrees')}
        />
      ) : null}
    </FieldRow>
  );
}

function OnFields({ stage, put, place }: { stage: Stage; put: PutStage; place: string }) {
  const { draft, problem } = useEditor();
  const tags = [...new Set(draft.pattern.positions.flatMap((p) => p.tags ?? []))];
  const known = ['all', ...(draft.groups.length > 1 ? draft.groups.map((g) => g.id) : []), ...tags];
  const options = known.map((k) => ({
    value: k,
    text: k === 'all' ? text.onAll : draft.groups.find((g) => g.id === k)?.name || k,
  }));
  const others = stage.on.filter((n) => !known.includes(n));
  const flip = (names: string[]): void => {
    const added = names.filter((n) => !stage.on.includes(n));
    // All and some cannot both be meant.
    put(
      {
        on: added.includes('all')
          ? ['all']
          : [...names.filter((n) => n !== 'all' || added.length === 0), ...others],
      },
      'on',
    );
  };
  return (
    <>
      <FlagsField
        label={text.on}
        values={stage.on.filter((n) => known.includes(n))}
        options={options}
        onChange={flip}
        problem={problem(`${place}.on`)}
      />
      {known.length > 1 || others.length > 0 || draft.seats.length > 1 ? (
        <NamesField
          label={text.onOthers}
          names={others}
          onChange={(names) =>
            put(
              {
                on: [
                  ...stage.on.filter(
                    (n) => known.includes(n) && (n !== 'all' || names.length === 0),
                  ),
                  ...names,
                ],
              },
              'on others',
            )
          }
        />
      ) : null}
    </>
  );
}

function OrderFields({
  stage,
  put,
  place,
  onTapOrder,
}: {
  stage: Stage;
  put: PutStage;
  place: string;
  onTapOrder: (() => void) | undefined;
}) {
  const { problem } = useEditor();
  const { order } = stage;
  const value = !order
    ? 'inherit'
    : order.rule === 'listed' && order.labels
      ? 'tapped'
      : order.rule;
  const options =
    onTapOrder || value === 'tapped'
      ? ORDER_OPTIONS
      : ORDER_OPTIONS.filter((o) => o.value !== 'tapped');
  const choose = (rule: typeof value): void => {
    if (rule === 'tapped') onTapOrder?.();
    else
      put(
        {
          order:
            rule === 'inherit' ? undefined : { rule, ...(order?.reverse ? { reverse: true } : {}) },
        },
        'order',
      );
  };
  return (
    <>
      <ChoiceField
        label={text.order}
        value={value}
        options={options}
        onChange={choose}
        problem={problem(`${place}.order`)}
      />
      {order ? (
        <FieldRow>
          <FlagsField
            label={text.orderDirection}
            values={order.reverse ? ['reverse'] : []}
            options={[{ value: 'reverse', text: text.reversed }]}
            onChange={(v) =>
              put(
                { order: said({ ...order, reverse: v.length > 0 ? true : undefined }) },
                'reverse',
              )
            }
          />
          {['star', 'cross', 'thirds', 'ring'].includes(order.rule) ? (
            <TextField
              label={text.orderStart}
              value={order.start ?? ''}
              onChange={(start) =>
                put({ order: said({ ...order, start: start || undefined }) }, 'start')
              }
            />
          ) : null}
          {order.labels && onTapOrder ? (
            <BigButton text={text.tapOrder} look="quiet" size="desk" onPress={onTapOrder} />
          ) : null}
        </FieldRow>
      ) : null}
    </>
  );
}

function RepeatFields({ stage, put, place }: { stage: Stage; put: PutStage; place: string }) {
  const { problem } = useEditor();
  const repeat = stage.repeat ?? { kind: 'once' as const };
  const START: Record<NonNullable<Stage['repeat']>['kind'], Stage['repeat']> = {
    once: undefined,
    passes: { kind: 'passes', passes: 2 },
    untilSettled: { kind: 'untilSettled', maxPasses: 5, movedMoreThanDeg: 3 },
    untilSeated: { kind: 'untilSeated', maxRounds: 12 },
  };
  const options = REPEAT_OPTIONS.filter((o) =>
    stage.action === 'drawDown' ? o.value === 'untilSeated' : o.value !== 'untilSeated',
  );
  return (
    <FieldRow>
      <ChoiceField
        label={text.repeat}
        value={repeat.kind}
        options={options}
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

function FlagFields({ stage, put }: { stage: Stage; put: PutStage }) {
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
