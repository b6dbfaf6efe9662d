import type { RunState } from '../run';
import { toolName } from './seenIn';

/** What someone with the right said, and what it is about, by name where it has one. */

export interface RecordedWord {
  id: string;
  person: string;
  at: string;
  /** The confirmation that a decision is about. */
  of: string | null;
  decision: 'allow' | 'refuse' | 'passed' | 'failed' | 'single' | 'redo' | 'leaveOut' | 'note';
  about: 'run' | 'deviation' | 'reuse' | 'wrench' | 'compound' | 'step' | 'hold' | 'fastener';
  name: string;
  text: string;
}

export function saidIn(state: RunState): RecordedWord[] {
  const wrenches = wrenchNames(state);
  const { groups, stages } = state.sheet;
  const group = (id: string): string => groups.find((g) => g.id === id)?.name ?? id;
  const stage = (id: string): string => stages.find((s) => s.id === id)?.name ?? id;
  return state.effective.toArray().flatMap(({ event }): RecordedWord[] => {
    if (event.type !== 'used') return [];
    const { statement: s } = event.payload;
    const head = { id: s.id, person: s.person, at: s.at, text: s.text ?? '', of: null };
    if (s.kind === 'release')
      return [{ ...head, decision: s.decision, about: 'hold', name: stage(s.hold) }];
    if (s.kind === 'leaveOut')
      return [{ ...head, decision: 'leaveOut', about: 'fastener', name: s.fastener }];
    if (s.kind === 'note') return [{ ...head, decision: 'note', about: 'run', name: '' }];
    if (s.kind !== 'allowance') return [];
    const { about, decision } = s;
    if ('wrench' in about)
      return [{ ...head, decision, about: 'wrench', name: wrenches.get(about.wrench) ?? '' }];
    if ('reuse' in about) return [{ ...head, decision, about: 'reuse', name: group(about.reuse) }];
    if ('compound' in about)
      return [{ ...head, decision, about: 'compound', name: group(about.compound) }];
    if ('step' in about)
      return [
        {
          ...head,
          decision,
          about: 'step',
          name: state.sheet.steps.find((x) => x.id === about.step)?.text ?? about.step,
        },
      ];
    const deviation = state.progress.deviations.find((d) => d.event === about.deviation);
    return [
      {
        ...head,
        of: about.deviation,
        decision,
        about: 'deviation',
        name: deviation
          ? [deviation.fastener ?? '', stage(deviation.stage)].filter(Boolean).join(', ')
          : '',
      },
    ];
  });
}
export function wrenchNames(state: RunState): Map<string, string> {
  return new Map(
    Object.values(state.progress.tools).flatMap((t) =>
      t.wrench ? [[t.wrench.id, toolName(t)] as const] : [],
    ),
  );
}
