import { useState } from 'react';
import { View } from 'react-native';
import type { Say } from '@stennet/core/contract/work';
import type { AppError } from '@stennet/core/errors';
import { next, type RunState } from '@stennet/core/run';
import { asAppError, say as sendWord, useSignedIn } from '@/data';
import { newId } from '@/platform/ids';
import { BigButton, TextField } from '@/ui';
import { deviationLine, releaseWords } from '../say';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

/** A lead looks at a run on another device and says what waits for it. */
export function LeadDesk({ run, state }: { run: string; state: RunState }) {
  const waiting = state.progress.deviations.filter((d) => d.needsLead && d.decision === null);
  const due = next(state);
  const release = due.kind === 'hold' && due.ways.includes('statement') ? releaseWords(due) : [];
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>
        {waiting.length + (release.length > 0 ? 1 : 0) > 0
          ? text.waiting({ count: waiting.length + (release.length > 0 ? 1 : 0) })
          : text.nothingWaits}
      </PanelTitle>
      {waiting.map((d) => (
        <One
          key={d.event}
          run={run}
          what={deviationLine(state, d)}
          words={[
            {
              label: text.leadSay,
              say: { kind: 'allowance', about: { deviation: d.event }, decision: 'allow' },
            },
            {
              label: text.leadRefuse,
              say: { kind: 'allowance', about: { deviation: d.event }, decision: 'refuse' },
            },
          ]}
        />
      ))}
      {release.length > 0 && due.kind === 'hold' ? (
        <One run={run} what={due.stage.name} words={release} />
      ) : null}
    </View>
  );
}

function One({
  run,
  what,
  words,
}: {
  run: string;
  what: string;
  words: readonly { label: string; say: Say }[];
}) {
  const { me } = useSignedIn();
  const [why, setWhy] = useState('');
  const [state, setState] = useState<AppError | 'said' | null>(null);
  const [id] = useState(newId);
  const speak = (word: Say): void => {
    sendWord(run, {
      id,
      lead: me.person.id,
      pin: null,
      say: word,
      ...(why.trim() ? { text: why.trim() } : {}),
    }).then(
      () => setState('said'),
      (e: unknown) => setState(asAppError(e)),
    );
  };
  if (state === 'said') {
    return (
      <View role="status">
        <PanelBody>{`${what}. ${text.saidNow}`}</PanelBody>
      </View>
    );
  }
  return (
    <View style={{ gap: 8 }}>
      <PanelBody>{what}</PanelBody>
      {state ? (
        <View role="alert">
          <PanelBody>{`${state.message} ${state.fix}`}</PanelBody>
        </View>
      ) : null}
      <TextField label={text.leadWhy} value={why} onChange={(t) => setWhy(t.slice(0, 400))} />
      <View style={{ flexDirection: 'row', gap: 12 }}>
        {words.map((w) => (
          <BigButton
            key={w.label}
            text={w.label}
            label={`${w.label}: ${what}`}
            look="plain"
            grow
            onPress={() => speak(w.say)}
          />
        ))}
      </View>
    </View>
  );
}
