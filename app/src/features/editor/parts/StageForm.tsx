import type { Stage } from '@stennet/core/procedure';
import { stageWords } from '@stennet/core/procedure';
import type { UnitCode } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { ChoiceField, Section, TextField } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, withoutUnset } from '../lists';
import { options } from '../options';
import { text } from '../text';
import { PartsForm } from './PartsForm';
import { stagesIn, withStagesIn, type PutStage, type StageList } from '../hooks/stageEdit';
import { TargetFields } from './TargetFields';
import { HoldFields, SameAsField, WaitFields } from './StageMore';
import { OnFields, OrderFields } from './StageOrder';
import { LoosenFields, RepeatFields, FlagFields } from './StageExtras';

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
      : (options.actions().find((o) => o.value === s.action)?.text ?? '');
  const put: PutStage = (over, key) =>
    change((d) => {
      const next = changed(stagesIn(d, list), at, (s) => {
        const after = withoutUnset({ ...s, ...over });
        // A name that only said the value follows the value.
        const isOwn = s.name !== '' && s.name !== autoName(s);
        return over.name === undefined && !isOwn
          ? { ...after, name: autoName(after).slice(0, 60) }
          : after;
      });
      return withStagesIn(d, list, next);
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
    <Section title={text.stageOf({ n: at + 1, of: stagesIn(draft, list).length })}>
      <ChoiceField
        label={text.action}
        value={stage.action}
        options={options.actions()}
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
      {stage.action === 'loosen' ? <LoosenFields of={stage} put={put} place={place} /> : null}
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
          options={options.purposes()}
          onChange={(purpose) => put({ purpose }, 'purpose')}
        />
      ) : null}
      <SameAsField stage={stage} put={put} at={at} list={list} />
      <FlagFields stage={stage} put={put} />
      <WordFields stage={stage} put={put} place={place} />
    </Section>
  );
}

/** What else is said of a stage, in words. */
function WordFields({ stage, put, place }: { stage: Stage; put: PutStage; place: string }) {
  const { problem } = useEditor();
  return (
    <>
      <TextField
        label={text.helper}
        value={stage.helper ?? ''}
        onChange={(helper) => put({ helper: helper || undefined }, 'helper')}
        problem={problem(`${place}.helper`)}
      />
      <TextField
        label={text.note}
        value={stage.note ?? ''}
        onChange={(note) => put({ note: note || undefined }, 'note')}
        lines={2}
        problem={problem(`${place}.note`)}
      />
    </>
  );
}

const EACH: Stage['each'] = [
  { id: 'part-1', action: 'loosen', loosen: 'free' },
  { id: 'part-2', action: 'torque' },
];
