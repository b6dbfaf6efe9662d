import { Fragment, useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import type { Next, RunState } from '@stennet/core/run';
import { useWrenchLink } from '@/data';
import type { RunView } from '@/data/runStore';
import { letGo } from '@/platform/keys';
import { BigButton, useInks } from '@/ui';
import { lostOf } from '@/ui/work';
import { useRunPlace } from '../hooks/useRunPlace';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { LostInRun } from './AroundPanel';
import { LatePanel } from './LatePanel';
import { OnePanel } from './OnePanel';
import { PlainOnFailure } from './PlainOnFailure';
import { SetupPanel } from './SetupPanel';
import { TooMuchPanel } from './TooMuchPanel';
import { type Mode, Current } from './CurrentPanel';

/**
 * The hand's panel: what comes next, or one of the ways round it. Starts at `main` again with each
 * confirmation.
 */
interface PanelProps {
  view: RunView;
  acts: Acts;
  due: Next;
  /** A fastener that was tapped on the map. */
  seat: string | null;
  onSeat: (seat: string | null) => void;
  onLock: () => void;
  takeOver: () => Promise<void>;
}

export function Panel({ view, acts, due, seat, onSeat, onLock, takeOver }: PanelProps) {
  const inks = useInks();
  const step = view.state.events.length;
  const [chosen, setChosen] = useState<{ mode: Mode; step: number }>({ mode: 'main', step });
  const setMode = (next: Mode): void => setChosen({ mode: next, step });
  const mode = seat !== null ? 'one' : chosen.step === step ? chosen.mode : 'main';
  // What was pressed belongs to the fastener before.
  useEffect(letGo, [step]);
  const close = (): void => {
    onSeat(null);
    setMode('main');
  };
  // Above the panels: what the wrench did is still there after a look at another one.
  const wrench = useWrenchLink(usesDigital(view.state, due));
  const isLost = lostOf(useRunPlace().entries).length > 0;
  // Something that fell stops everything; what is done already can still be taken back or finished
  // later.
  if (isLost && due.kind !== 'done') return <LostInRun />;
  return (
    <View style={{ gap: 12 }}>
      {acts.error && acts.sure ? <TooMuchPanel error={acts.error} acts={acts} /> : null}
      {acts.error && !acts.sure ? (
        <View role="alert">
          <Text
            style={{ color: inks.warnText, fontSize: 16, lineHeight: 22, fontWeight: '700' }}
          >{`${acts.error.message} ${acts.error.fix}`}</Text>
        </View>
      ) : null}
      {acts.late ? <LatePanel acts={acts} state={view.state} /> : null}
      {mode === 'one' ? (
        <>
          <OnePanel view={view} due={due} acts={acts} seat={seat} onSeat={onSeat} />
          <BigButton text={text.close} look="plain" onPress={close} />
        </>
      ) : mode === 'setup' ? (
        <SetupPanel
          sheet={view.state.sheet.id}
          onLock={() => {
            close();
            onLock();
          }}
          onClose={close}
        />
      ) : (
        // From pull to pull the panel stays and only its words change; every other panel begins
        // again.
        <Fragment key={due.kind === 'pull' && mode === 'main' ? 'pull' : step}>
          <PlainOnFailure state={view.state} acts={acts} due={due}>
            {acts.sure ? null : (
              <Current
                view={view}
                acts={acts}
                due={due}
                wrench={wrench}
                mode={mode}
                setMode={setMode}
                takeOver={takeOver}
              />
            )}
          </PlainOnFailure>
        </Fragment>
      )}
      {mode === 'main' && due.kind !== 'done' ? (
        <BigButton text={text.more} look="quiet" onPress={() => setMode('more')} />
      ) : null}
    </View>
  );
}

/**
 * Heard as long as one is in use: its button answers between two pulls too. Not with another tool.
 */
const usesDigital = ({ progress }: RunState, due: Next): boolean =>
  due.kind === 'pull' || due.kind === 'setTool'
    ? due.tool.method === 'digital'
    : due.kind !== 'done' && Object.values(progress.tools).at(-1)?.method === 'digital';
