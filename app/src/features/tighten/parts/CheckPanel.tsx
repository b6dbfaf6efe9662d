import { textAt } from '@stennet/core/language';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { Step as SheetStep } from '@stennet/core/procedure';
import { BigButton, Chip, TextField, useInks } from '@/ui';
import { useRunPlace } from '../hooks/useRunPlace';
import { text } from '../text';
import { GiveUp } from './GiveUp';
import { PanelBody, PanelTitle } from './PanelText';
import { StepMore } from './StepMore';
import { PhotoButton } from './PhotoButton';
import type { StepProps } from './StepPanel';

type Answers = NonNullable<SheetStep['answers']>;

/**
 * Someone looks: one answer, or one for each place; what follows from it is said before it is
 * asked again.
 */
export function CheckPanel({
  due,
  acts,
  state,
  onGoBack,
  answers,
}: StepProps<'step'> & { answers: Answers }) {
  const { step } = due;
  const [note, setNote] = useState('');
  const seen = state.progress.steps[step.id];
  const words = note.trim() ? { note: note.trim() } : {};
  const say = (answer: string): void =>
    void acts.confirm('stepDone', { step: step.id, answer, ...words });
  const sayRows = (given: { row: string; answer: string }[], pending: boolean): void =>
    void acts.confirm('stepDone', {
      step: step.id,
      answers: given,
      ...words,
      ...(pending ? { pendingLead: true } : {}),
    });
  const isAgain = due.reason === 'consequence' && seen?.answer;
  return (
    <View style={styles.panel}>
      <PanelTitle>{step.text}</PanelTitle>
      <StepMore step={step} />
      {isAgain ? (
        <Consequence
          step={step}
          then={seen.then ?? 'look'}
          answer={seen.answer ?? ''}
          found={notFine(seen.answer ?? '', answers)}
        />
      ) : null}
      {step.rows ? (
        <Rows rows={step.rows} answers={answers} onSay={sayRows} mayPend={Boolean(isAgain)} />
      ) : (
        answers.map((a) => (
          <BigButton key={a.text} text={a.text} look="plain" onPress={() => say(a.text)} />
        ))
      )}
      <TextField label={text.note} value={note} onChange={(t) => setNote(t.slice(0, 400))} />
      <PhotoButton of={step.text} step={step.id} />
      {isAgain && !step.rows && seen.answer ? (
        <BigButton
          text={text.pendingStep}
          look="warn"
          onPress={() =>
            void acts.confirm('stepDone', {
              step: step.id,
              answer: seen.answer ?? '',
              ...words,
              pendingLead: true,
            })
          }
        />
      ) : null}
      {step.kind === 'hold' ? null : <GiveUp step={step.id} acts={acts} />}
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </View>
  );
}

/** Of several places only those where something was found. */
function notFine(answer: string, answers: Answers): string {
  const fine = answers.filter((a) => a.then === 'goOn').map((a) => a.text);
  return answer
    .split('; ')
    .filter((part) => !fine.some((f) => part === f || part.endsWith(`: ${f}`)))
    .join('; ');
}

/** What was found, what it calls for, and where that is written. */
function Consequence({
  step,
  then,
  answer,
  found,
}: {
  step: SheetStep;
  then: string;
  answer: string;
  found: string;
}) {
  const place = useRunPlace();
  const [kept, setKept] = useState<'part' | 'outside' | 'problem' | null>(null);
  const what = step.text.slice(0, 80);
  const keep = (): void => {
    const { order, joint, job } = place;
    if (!job) return;
    const work =
      then === 'replace'
        ? place.keep({
            order,
            body: { kind: 'part', job, joint, what, count: 1, state: 'needed', why: answer },
          })
        : place.keep({
            order,
            body: {
              kind: 'outside',
              job,
              what,
              to: text.machineShop,
              asked: answer,
              state: 'asked',
            },
          });
    work.then(
      () => setKept(then === 'replace' ? 'part' : 'outside'),
      () => setKept('problem'),
    );
  };
  return (
    <View role="alert" style={styles.panel}>
      <PanelBody
        strong
      >{`${text.sawThat({ answer: found })} ${textAt(text.then, then) ?? ''}`}</PanelBody>
      {kept === 'problem' ? <PanelBody>{text.cannotKeep}</PanelBody> : null}
      {kept === 'part' ? (
        <PanelBody>{text.partIsOn}</PanelBody>
      ) : kept === 'outside' ? (
        <PanelBody>{text.outIsOn}</PanelBody>
      ) : null}
      {place.job &&
      (kept === null || kept === 'problem') &&
      (then === 'replace' || then === 'machine') ? (
        <BigButton
          text={then === 'replace' ? text.partOn : text.outOn}
          look="quiet"
          onPress={keep}
        />
      ) : null}
    </View>
  );
}

/** One answer for each place; nothing is chosen beforehand. */
function Rows({
  rows,
  answers,
  onSay,
  mayPend,
}: {
  rows: readonly string[];
  answers: Answers;
  onSay: (given: { row: string; answer: string }[], pending: boolean) => void;
  mayPend: boolean;
}) {
  const inks = useInks();
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({});
  const given = rows.flatMap((row) =>
    chosen[row] === undefined ? [] : [{ row, answer: chosen[row] }],
  );
  const isWhole = given.length === rows.length;
  return (
    <>
      {rows.map((row) => (
        <View key={row} role="radiogroup" aria-label={row} style={styles.row}>
          <Text style={{ fontSize: 17, fontWeight: '700', color: inks.ink }}>{row}</Text>
          <View style={styles.chips}>
            {answers.map((a) => (
              <Chip
                size="hand"
                key={a.text}
                role="radio"
                text={a.text}
                on={chosen[row] === a.text}
                onPress={() => setChosen((was) => ({ ...was, [row]: a.text }))}
              />
            ))}
          </View>
        </View>
      ))}
      <BigButton text={text.eachSeen} disabled={!isWhole} onPress={() => onSay(given, false)} />
      {mayPend ? (
        <BigButton
          text={text.pendingStep}
          look="warn"
          disabled={!isWhole}
          onPress={() => onSay(given, true)}
        />
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  panel: { gap: 12 },
  row: { gap: 8 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 },
});
