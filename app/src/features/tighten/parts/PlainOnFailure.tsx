import { Component, type ReactNode } from 'react';
import { View } from 'react-native';
import { explain, type Next, type RunState } from '@stennet/core/run';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

interface Props {
  state: RunState;
  acts: Acts;
  due: Next;
  children: ReactNode;
}

/**
 * A panel that fails never ends the work: what is next stays in words, with the plain confirmation
 * where there is one.
 */
export class PlainOnFailure extends Component<Props, { failedAt: number | null }> {
  override state = { failedAt: null as number | null };
  static getDerivedStateFromError(): { failedAt: number } {
    return { failedAt: 0 };
  }
  override componentDidUpdate(before: Props): void {
    // What comes next has panels of its own.
    if (
      this.state.failedAt !== null &&
      before.state.events.length !== this.props.state.events.length
    )
      this.setState({ failedAt: null });
  }
  override render(): ReactNode {
    return this.state.failedAt === null ? this.props.children : <Plain {...this.props} />;
  }
}

function Plain({ state, acts, due }: Omit<Props, 'children'>) {
  const what =
    due.kind === 'pull'
      ? `${fastenerName(state.sheet, due.fastener)}, ${due.stage.name}`
      : explain(state.sheet, due);
  const say =
    due.kind === 'pull'
      ? due.outcomes.map((outcome) => ({
          label: text.outcomeWords[outcome],
          act: (): void => void acts.pull(due, outcome),
        }))
      : due.kind === 'step'
        ? [
            {
              label: text.stepYes,
              act: (): void => void acts.confirm('stepDone', { step: due.step.id }),
            },
          ]
        : [];
  return (
    <View role="alert" style={{ gap: 12 }}>
      <PanelTitle>{text.plainTitle}</PanelTitle>
      <PanelBody>{text.plainText}</PanelBody>
      <PanelBody strong>{text.plainNext({ what })}</PanelBody>
      {say.map((s) => (
        <BigButton key={s.label} text={s.label} look="plain" onPress={s.act} />
      ))}
      <BigButton text={text.plainReload} look="quiet" onPress={() => window.location.reload()} />
    </View>
  );
}
