import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import type { JointSheet } from '@stennet/core/contract/work';
import { differences, lineOf, printLine, type Sheet } from '@stennet/core/procedure';
import { asAppError } from '@/data';
import { setJointSheet } from '@/data/orders';
import { useSheet } from '@/data/sheets';
import { BigButton, Card, Fold, Line, Notice, pressedBySpace, useInks } from '@/ui';
import { AnswerCard } from '@/ui/work';
import { text } from '../text';

/** What was answered at the vehicle, by question. */
export type Answers = Readonly<Record<string, string>>;

/**
 * Where look-alikes exist, someone looks before anything is tightened: at least one question is
 * answered, and no answer leads to another sheet. Nothing is chosen beforehand.
 */
export function isToldApart(sheet: Sheet, answers: Answers): boolean {
  const given = sheet.tellApart.flatMap((t) =>
    t.answers.filter((a) => answers[t.question] === a.text),
  );
  return (
    sheet.tellApart.length === 0 || (given.length > 0 && given.every((a) => a.sheet === sheet.id))
  );
}

interface Props {
  data: JointSheet;
  answers: Answers;
  /** What was answered for another cap or bank of this joint. */
  before: Answers | null;
  onAnswer: (change: Answers) => void;
}

export function WhichOne({ data, answers, before, onAnswer }: Props) {
  const { sheet } = data;
  const inks = useInks();
  const page = useSheet(sheet.id, sheet.revision);
  if (sheet.tellApart.length === 0) return null;
  const related = page.data?.related ?? [];
  const standing = (id: string): Sheet | undefined =>
    id === sheet.id ? sheet : related.find((r) => r.id === id && r.status === 'approved');
  const heading = { fontSize: 20, fontWeight: '700', color: inks.ink } as const;
  return (
    <Card>
      <Text role="heading" aria-level={2} style={heading}>
        {text.which.which}
      </Text>
      {before && Object.keys(answers).length === 0 ? (
        <BigButton
          text={text.which.asBefore}
          hint={Object.values(before).join(', ')}
          look="plain"
          onPress={() => onAnswer(before)}
        />
      ) : null}
      {sheet.tellApart.map((t) => (
        <View key={t.question} style={styles.question} role="radiogroup" aria-label={t.question}>
          <Text style={{ fontSize: 17, color: inks.ink, fontWeight: '700' }}>{t.question}</Text>
          <View style={styles.answers}>
            {t.answers.map((a) => {
              const isOn = answers[t.question] === a.text;
              const answer = (): void => onAnswer({ [t.question]: a.text });
              return (
                <TouchableRipple
                  key={a.text}
                  role={'radio' as never}
                  aria-checked={isOn}
                  aria-label={a.text}
                  onPress={answer}
                  {...pressedBySpace(answer)}
                  style={styles.answer}
                >
                  <AnswerCard text={a.text} head={a.head} on={isOn} wide />
                </TouchableRipple>
              );
            })}
          </View>
        </View>
      ))}
      <Verdict data={data} answers={answers} standing={standing} />
      <Fold title={text.which.howDifferent}>
        {[...new Set(sheet.tellApart.flatMap((t) => t.answers.map((a) => a.sheet)))].map((id) => {
          const to = standing(id);
          const line = to ? printLine(lineOf(to).line) : text.which.sheetNotHere;
          return (
            <View key={id}>
              <Line strong>{to === sheet ? text.which.thisSheet : (to?.title ?? id)}</Line>
              <Line>{line}</Line>
            </View>
          );
        })}
      </Fold>
    </Card>
  );
}

function Verdict({
  data,
  answers,
  standing,
}: {
  data: JointSheet;
  answers: Answers;
  standing: (id: string) => Sheet | undefined;
}) {
  const { sheet } = data;
  const given = sheet.tellApart.flatMap((t) =>
    t.answers.filter((a) => answers[t.question] === a.text),
  );
  const elsewhere = [...new Set(given.map((a) => a.sheet).filter((id) => id !== sheet.id))];
  const isHereToo = given.some((a) => a.sheet === sheet.id);
  const [other] = elsewhere;
  // That nothing is answered yet is said beside the button that starts.
  if (other === undefined) return null;
  if (isHereToo || elsewhere.length > 1)
    return <Notice title={text.which.disagree} text={text.which.disagreeText} look="warn" alert />;
  const to = standing(other);
  return to ? (
    <TakeOther data={data} to={to} />
  ) : (
    <Notice
      title={text.which.otherMissing({ id: other })}
      text={text.which.otherMissingText}
      look="warn"
      alert
    />
  );
}

/** The other sheet for this joint, with what it does differently. */
function TakeOther({ data, to }: { data: JointSheet; to: Sheet }) {
  const grave = differences(data.sheet, to).filter((d) => d.isGrave);
  return (
    <>
      <Notice
        title={text.which.otherSheet({ title: to.title, revision: to.revision })}
        text={grave.map((d) => d.text).join(' ')}
        look="warn"
        alert
      />
      <TakeSheet
        joint={data.joint}
        sheet={to.id}
        revision={to.revision}
        label={text.which.takeOther}
      />
    </>
  );
}

/** The joint gets another sheet; one that has been begun keeps its own. */
export function TakeSheet({
  joint,
  sheet,
  revision,
  label,
}: {
  joint: string;
  sheet: string;
  revision: string;
  label: string;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const take = (): void => {
    setProblem(null);
    setJointSheet(joint, sheet, revision).catch((e: unknown) =>
      setProblem(`${asAppError(e).message} ${asAppError(e).fix}`),
    );
  };
  return (
    <>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      <BigButton text={label} look="plain" size="desk" onPress={take} />
    </>
  );
}

/**
 * The order says when the vehicle was built; a sheet for other dates is the wrong one, or the date
 * is.
 */
export function builtOutside(sheet: Sheet, built: string | undefined): boolean {
  const { builtFrom, builtTo } = sheet.applies;
  return (
    built !== undefined &&
    ((builtFrom !== undefined && built < builtFrom) || (builtTo !== undefined && built > builtTo))
  );
}

const styles = StyleSheet.create({
  question: { gap: 8 },
  answers: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
  answer: { flexGrow: 1, flexBasis: 130, borderRadius: 12 },
});
