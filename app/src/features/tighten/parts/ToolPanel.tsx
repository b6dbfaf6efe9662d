import { View } from 'react-native';
import { AppError } from '@stennet/core/errors';
import { wrenchSetting, type Formatter, type Quantity, type Wrench } from '@stennet/core/quantity';
import type { Method, Task } from '@stennet/core/run';
import { asAppError, useSignedIn, useWrenches } from '@/data';
import { now } from '@/platform/clock';
import { BigButton, Loading, Notice } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

interface Props {
  task: Task;
  target: Quantity;
  methods: readonly Method[];
  acts: Acts;
  onCancel?: () => void;
}

/** Which tool for this stage; one that does not reach or is out of calibration says why. */
export function ToolPanel({ task, target, methods, acts, onCancel }: Props) {
  const { format } = useSignedIn();
  const wrenches = useWrenches();
  const isAngle = task.action === 'angle';
  const choose = (method: Method, wrench: Wrench | null) => (): void => {
    void acts.confirm('wrenchChosen', { stage: task.stage.id, ...(task.part ? { part: task.part.id } : {}), method, wrench }).then((ok) => ok && onCancel?.());
  };
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{isAngle ? text.chooseAngle : text.chooseTitle(format.quantity(target).text)}</PanelTitle>
      {isAngle ? methods.map((m) => <BigButton key={m} text={text.methods[m]} look="plain" onPress={choose(m, null)} />) : null}
      {!isAngle && wrenches.data
        ? sorted(wrenches.data.wrenches, target, format).map((w) => <WrenchChoice key={w.id} wrench={w} target={target} format={format} onChoose={choose(w.kind, w)} />)
        : null}
      {!isAngle && methods.includes('byFeel') ? <BigButton text={text.methods.byFeel} hint={text.byFeelHint} look="quiet" onPress={choose('byFeel', null)} /> : null}
      {!isAngle && wrenches.isPending ? <Loading text={text.loading} /> : null}
      {!isAngle && wrenches.isError && !wrenches.data ? (
        <Notice title={asAppError(wrenches.error).message} text={asAppError(wrenches.error).fix} action={{ text: text.retry, onPress: () => void wrenches.refetch() }} alert />
      ) : null}
      {onCancel ? <BigButton text={text.cancel} look="quiet" onPress={onCancel} /> : null}
    </View>
  );
}

/** @returns the setting, or why this wrench is not for this stage */
function fitOf(wrench: Wrench, target: Quantity, format: Formatter): Quantity | AppError {
  try {
    if (wrench.calibratedUntil < now().toISOString().slice(0, 10))
      throw new AppError('WRENCH_OUT_OF_CALIBRATION', { wrench: wrench.name, until: format.date(new Date(`${wrench.calibratedUntil}T12:00:00Z`)) });
    return wrenchSetting(wrench, target);
  } catch (error) {
    return asAppError(error);
  }
}

/** Those that serve first. */
const sorted = (wrenches: readonly Wrench[], target: Quantity, format: Formatter): Wrench[] =>
  [...wrenches].sort((a, b) => Number(fitOf(a, target, format) instanceof AppError) - Number(fitOf(b, target, format) instanceof AppError));

function WrenchChoice({ wrench, target, format, onChoose }: { wrench: Wrench; target: Quantity; format: Formatter; onChoose: () => void }) {
  const fit = fitOf(wrench, target, format);
  if (fit instanceof AppError) return <PanelBody>{fit.message}</PanelBody>;
  return <BigButton text={wrench.name} hint={text.scale(format.inHand(fit).text)} look="plain" onPress={onChoose} />;
}
