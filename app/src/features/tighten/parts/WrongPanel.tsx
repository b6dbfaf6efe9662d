import { View } from 'react-native';
import type { FailureKind, PullNext, RunState } from '@stennet/core/run';
import { useKeys } from '@/platform/keys';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { fastenerName, text } from '../text';
import { PanelTitle } from './PanelText';

const AT_LOOSENING: readonly FailureKind[] = ['wontLoosen', 'driveRounded', 'broke', 'stripped'];
const AT_TORQUE: readonly FailureKind[] = [
  'wontStartByHand',
  'crossThreaded',
  'bottomed',
  'wrongCompound',
  'wentSoft',
  'stripped',
  'broke',
  'driveRounded',
];
const AT_ANGLE: readonly FailureKind[] = [
  'angleLost',
  'wentSoft',
  'wrongCompound',
  'stripped',
  'broke',
  'driveRounded',
];

interface Props {
  due: PullNext;
  state: RunState;
  acts: Acts;
  onShort: () => void;
  onReading: () => void;
  onAnother: () => void;
  onClose: () => void;
}

/** Each answer changes what comes next. */
export function WrongPanel({ due, state, acts, onShort, onReading, onAnother, onClose }: Props) {
  useKeys({ Escape: onClose });
  const isAngle = due.task.action === 'angle';
  const kinds = isAngle ? AT_ANGLE : due.task.action === 'loosen' ? AT_LOOSENING : AT_TORQUE;
  const mayStop = isAngle || due.task.action === 'torque' || due.task.action === 'stretch';
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.wrongTitle({ bolt: fastenerName(state.sheet, due.fastener) })}</PanelTitle>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        {mayStop ? <Choice label={text.stoppedShort} onPress={onShort} /> : null}
        {isAngle ? <Choice label={text.tooFar} onPress={onReading} /> : null}
        {kinds.map((kind) => (
          <Choice
            key={kind}
            label={text.failures[kind]}
            onPress={() => void acts.fail(due.fastener, kind)}
          />
        ))}
      </View>
      {due.task.part ? null : <BigButton text={text.another} look="plain" onPress={onAnother} />}
      <BigButton
        text={text.setAside}
        look="plain"
        onPress={() => void acts.confirm('setAside', { fastener: due.fastener })}
      />
      <BigButton text={text.cancel} look="quiet" onPress={onClose} />
    </View>
  );
}

function Choice({ label, onPress }: { label: string; onPress: () => void }) {
  return (
    <View style={{ flexBasis: 150, flexGrow: 1 }}>
      <BigButton text={label} look="warn" onPress={onPress} />
    </View>
  );
}
