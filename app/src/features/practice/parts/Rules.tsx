import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ROLE_TEXT } from '@stennet/core/contract';
import { PRACTICE_ROLES, type PracticeRule } from '@stennet/core/contract/work';
import { EXERCISES, practiceText, type ExerciseId } from '@stennet/core/practice';
import { asAppError } from '@/data';
import { usePracticeRules, type AskedFirst } from '@/data/practice';
import { useSheetPlaces } from '@/data/sheets';
import { BigButton, ChoiceField, Line, Notice, Section } from '@/ui';
import { kindName } from './ExerciseList';
import { text } from '../text';

/** What is asked for before a real joint, kind by kind. */
export function Rules({ rules }: { rules: readonly PracticeRule[] }) {
  const change = usePracticeRules();
  const problem = change.error ? asAppError(change.error) : null;
  return (
    <Section title={text.rules}>
      <Line>{rules.length === 0 ? text.noRules : text.rulesLine}</Line>
      {rules.map((rule) => {
        const what = text.rule({
          role: ROLE_TEXT[rule.role],
          kind: kindName(rule.kind),
          title: practiceText.exercises[rule.exercise].title,
        });
        return (
          <View key={what} style={styles.rule}>
            <View style={styles.words}>
              <Line strong>{what}</Line>
            </View>
            <BigButton
              text={text.dropRule}
              label={text.dropRuleOf({ what })}
              look="quiet"
              size="desk"
              onPress={() => change.mutate({ ...(rule as AskedFirst), on: false })}
            />
          </View>
        );
      })}
      {problem ? <Notice title={problem.message} text={problem.fix} look="warn" alert /> : null}
      <AskFor onAsk={(asked) => change.mutate({ ...asked, on: true })} />
    </Section>
  );
}

function AskFor({ onAsk }: { onAsk: (asked: AskedFirst) => void }) {
  const places = useSheetPlaces().data?.places ?? [];
  const kinds = [...new Set(places.map((p) => p.kind))].sort();
  const [role, setRole] = useState<AskedFirst['role']>('technician');
  const [kind, setKind] = useState<string | null>(null);
  const [exercise, setExercise] = useState<ExerciseId>('firstWrench');
  const chosen = kind ?? kinds[0];
  if (chosen === undefined) return null;
  return (
    <>
      <ChoiceField
        label={text.ruleRole}
        value={role}
        options={PRACTICE_ROLES.map((r) => ({ value: r, text: ROLE_TEXT[r] }))}
        onChange={setRole}
      />
      <ChoiceField
        label={text.ruleKind}
        value={chosen}
        options={kinds.map((k) => ({ value: k, text: kindName(k) }))}
        onChange={setKind}
      />
      <ChoiceField
        label={text.ruleExercise}
        value={exercise}
        options={EXERCISES.map((e) => ({ value: e, text: practiceText.exercises[e].title }))}
        onChange={setExercise}
      />
      <BigButton
        text={text.ask}
        look="plain"
        size="desk"
        onPress={() => onAsk({ role, kind: chosen, exercise })}
      />
    </>
  );
}

const styles = StyleSheet.create({
  rule: { flexDirection: 'row', alignItems: 'center', gap: 12 },
  words: { flex: 1, minWidth: 0 },
});
