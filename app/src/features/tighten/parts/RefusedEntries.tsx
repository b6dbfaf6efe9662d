import { useState } from 'react';
import { View } from 'react-native';
import { AppError } from '@stennet/core/errors';
import { asAppError, useSignedIn } from '@/data';
import { useRun } from '@/data/runs';
import { type RunView } from '@/data/runStore';
import { BigButton, Line, Notice, TextField } from '@/ui';
import { lastLine } from '../say';
import { text } from '../text';

/**
 * Entries that the server did not take: shown, never dropped in silence; their author may dismiss
 * them with a reason that stays on the record.
 */
export function RefusedEntries({ view }: { view: RunView }) {
  const { me, format } = useSignedIn();
  const { dismissRefused } = useRun(view.kept.id, me.person.id);
  const [isOpen, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<AppError | null>(null);
  const [first] = view.refused;
  const reason = first ? new AppError(first.code, first.params) : null;
  const own = view.refused.filter((r) => r.event.person === me.person.id);
  const lines = own.map((r) =>
    text.refusedLine({
      what: lastLine(view.state.sheet, r.event) ?? r.event.type,
      at: format.time(new Date(r.event.deviceTime)),
    }),
  );
  const dismiss = (): void => {
    const said =
      `${why.trim()} (${text.refusedTitle({ count: own.length })}: ${lines.join('; ')})`.slice(
        0,
        400,
      );
    dismissRefused(said).then(
      () => setOpen(false),
      (e: unknown) => setProblem(asAppError(e)),
    );
  };
  return (
    <View style={{ gap: 12 }}>
      <Notice
        title={text.refusedTitle({ count: view.refused.length })}
        text={`${reason?.message ?? ''} ${text.refusedText}`}
        {...(isOpen || own.length === 0
          ? {}
          : { action: { text: text.refusedShow, onPress: () => setOpen(true) } })}
        look="warn"
        alert
      />
      {isOpen ? (
        <>
          {lines.map((line, i) => (
            <Line key={`${line} ${i}`}>{line}</Line>
          ))}
          {problem ? <Line strong>{`${problem.message} ${problem.fix}`}</Line> : null}
          <TextField
            label={text.refusedWhy}
            value={why}
            onChange={(t) => setWhy(t.slice(0, 200))}
          />
          <BigButton
            text={text.refusedDismiss}
            look="warn"
            disabled={!why.trim()}
            onPress={dismiss}
          />
          <BigButton text={text.cancel} look="quiet" onPress={() => setOpen(false)} />
        </>
      ) : null}
    </View>
  );
}
