import { useState } from 'react';
import { View } from 'react-native';
import { AppError } from '@stennet/core/errors';
import { wrenchesOf, type ListedTool } from '@stennet/core/prepare';
import {
  wrenchSetting,
  type Adapter,
  type Formatter,
  type Quantity,
  type Wrench,
} from '@stennet/core/quantity';
import type { Method, RunState, Task } from '@stennet/core/run';
import { asAppError, inUse, useSignedIn, useTools } from '@/data';
import { useRunPlace } from '../hooks/useRunPlace';
import { PRACTICE_TOOLS } from '../practice/tools';
import { now } from '@/platform/clock';
import { BigButton, Loading, Notice } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { AdapterForm } from './AdapterForm';
import { LeadWord } from './LeadWord';
import { PanelBody, PanelTitle } from './PanelText';

interface Props {
  state: RunState;
  task: Task;
  target: Quantity;
  methods: readonly Method[];
  acts: Acts;
  onCancel?: () => void;
  onGoBack?: () => void;
}

/**
 * Which tool for this stage; one that does not reach says why, one out of calibration needs the
 * lead's approval.
 */
export function ToolPanel({ state, task, target, methods, acts, onCancel, onGoBack }: Props) {
  const { format } = useSignedIn();
  const { practice } = useRunPlace();
  const tools = useTools();
  const [adapter, setAdapter] = useState<Adapter | null>(null);
  const [withAdapter, setWithAdapter] = useState(false);
  const [asking, setAsking] = useState<Wrench | null>(null);
  const isAngle = task.action === 'angle';
  const choose =
    (method: Method, wrench: Wrench | null, isPending = false) =>
    (): void => {
      const payload = {
        stage: task.stage.id,
        ...(task.part ? { part: task.part.id } : {}),
        method,
        wrench,
        ...(isPending ? { pendingLead: true as const } : {}),
      };
      void acts.confirm('wrenchChosen', payload).then((ok) => ok && onCancel?.());
    };
  if (asking) {
    return (
      <>
        <LeadWord
          acts={acts}
          about={
            new AppError('WRENCH_OUT_OF_CALIBRATION', {
              wrench: asking.name,
              until: dayOf(asking, format),
            }).message
          }
          words={[
            {
              label: text.leadSay,
              say: { kind: 'allowance', about: { wrench: asking.id }, decision: 'allow' },
              look: 'warn',
            },
          ]}
          onCancel={() => setAsking(null)}
        />
        <BigButton
          text={text.leadAway}
          hint={text.leadAwayHint}
          look="warn"
          onPress={choose(asking.kind, asking, true)}
        />
      </>
    );
  }
  const known = practice ? PRACTICE_TOOLS : tools.data && inUse(tools.data);
  const listed = known ?? [];
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>
        {isAngle ? text.chooseAngle : text.chooseTitle({ stage: format.quantity(target).text })}
      </PanelTitle>
      {isAngle
        ? methods.map((m) => (
            <BigButton key={m} text={text.methods[m]} look="plain" onPress={choose(m, null)} />
          ))
        : null}
      {!isAngle && withAdapter ? (
        <AdapterForm
          tools={listed}
          adapter={adapter}
          onAdapter={setAdapter}
          onClose={() => setWithAdapter(false)}
        />
      ) : null}
      {!isAngle && known ? (
        <Wrenches
          state={state}
          target={target}
          tools={listed}
          adapter={adapter}
          onChoose={(w) => choose(w.kind, w)()}
          onAsk={setAsking}
        />
      ) : null}
      {!isAngle && known && !practice && !withAdapter ? (
        <BigButton text={text.withAdapter} look="quiet" onPress={() => setWithAdapter(true)} />
      ) : null}
      {!isAngle && methods.includes('byFeel') && !listed.some((t) => reaches(t, target)) ? (
        <BigButton
          text={text.methods.byFeel}
          hint={text.byFeelHint}
          look="quiet"
          onPress={choose('byFeel', null)}
        />
      ) : null}
      {!isAngle && !known && tools.isPending ? <Loading text={text.loading} /> : null}
      {!isAngle && !known && tools.isError ? (
        <Notice
          title={asAppError(tools.error).message}
          text={asAppError(tools.error).fix}
          action={{ text: text.retry, onPress: () => void tools.refetch() }}
          alert
        />
      ) : null}
      {onCancel ? <BigButton text={text.cancel} look="quiet" onPress={onCancel} /> : null}
      {onGoBack ? <BigButton text={text.goBack} look="quiet" onPress={onGoBack} /> : null}
    </View>
  );
}

/** By feel only where nothing in the shop reaches down. */
const reaches = (tool: ListedTool, target: Quantity): boolean =>
  wrenchesOf([tool]).some((w) => !(fitOf(w, target) instanceof AppError));

const dayOf = (wrench: Wrench, format: Formatter): string =>
  format.date(new Date(`${wrench.calibratedUntil}T12:00:00Z`));

interface WrenchesProps {
  state: RunState;
  target: Quantity;
  tools: readonly ListedTool[];
  adapter: Adapter | null;
  onChoose: (wrench: Wrench) => void;
  onAsk: (wrench: Wrench) => void;
}

/** Those that serve first, then those that a lead may allow, then why the others do not. */
function Wrenches({ state, target, tools, adapter, onChoose, onAsk }: WrenchesProps) {
  const { format } = useSignedIn();
  const today = now().toISOString().slice(0, 10);
  const all = wrenchesOf(tools).map((w) => (adapter ? { ...w, adapter } : w));
  const fits = all.map((wrench) => ({
    wrench,
    fit: fitOf(wrench, target),
    isOverdue: wrench.calibratedUntil < today,
  }));
  const good = fits.filter((f) => !(f.fit instanceof AppError));
  const isAllowed = (w: Wrench): boolean => state.progress.allowed[`wrench:${w.id}`] !== undefined;
  return (
    <>
      {good
        .filter((f) => !f.isOverdue || isAllowed(f.wrench))
        .map(({ wrench, fit, isOverdue }) => (
          <BigButton
            key={wrench.id}
            text={wrench.name}
            hint={[
              fit instanceof AppError ? '' : text.scale({ value: format.inHand(fit).text }),
              isOverdue ? text.allowedWrench : '',
            ]
              .filter(Boolean)
              .join(' · ')}
            look="plain"
            onPress={() => onChoose(wrench)}
          />
        ))}
      {good
        .filter((f) => f.isOverdue && !isAllowed(f.wrench))
        .map(({ wrench }) => (
          <View key={wrench.id} style={{ gap: 8 }}>
            <PanelBody>
              {
                new AppError('WRENCH_OUT_OF_CALIBRATION', {
                  wrench: wrench.name,
                  until: dayOf(wrench, format),
                }).message
              }
            </PanelBody>
            <BigButton
              text={text.askLead}
              label={`${text.askLead}: ${wrench.name}`}
              look="warn"
              onPress={() => onAsk(wrench)}
            />
          </View>
        ))}
      {fits.map(({ wrench, fit }) =>
        fit instanceof AppError ? <PanelBody key={wrench.id}>{fit.message}</PanelBody> : null,
      )}
    </>
  );
}

/** @returns the setting, or why this wrench does not reach */
function fitOf(wrench: Wrench, target: Quantity): Quantity | AppError {
  try {
    return wrenchSetting(wrench, target);
  } catch (error) {
    return asAppError(error);
  }
}
