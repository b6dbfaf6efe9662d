import { StyleSheet, View } from 'react-native';
import type { Sheet } from '@stennet/core/procedure';
import { DayField } from '@/forms';
import { BigButton, ChoiceField, FieldRow, Section, TextField, useInks } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, withoutUnset, without } from '../lists';
import { options } from '../options';
import { text } from '../text';

type Question = Sheet['tellApart'][number];
type Answer = Question['answers'][number];

/** Questions that lead to its siblings; the answers name the sheets. */
export function TellApartForm() {
  const { draft, change, problem } = useEditor();
  const inks = useInks();
  const put = (at: number, by: (q: Question) => Question, key: string): void =>
    change((d) => ({ ...d, tellApart: changed(d.tellApart, at, by) }), `tellApart.${at}.${key}`);
  const add = (): void =>
    change((d) => ({
      ...d,
      tellApart: [
        ...d.tellApart,
        {
          about: 'headDrive',
          question: '',
          answers: [
            { text: '', sheet: d.id },
            { text: '', sheet: '' },
          ],
        },
      ],
    }));
  return (
    <Section title={text.tellApart}>
      {draft.tellApart.map((q, i) => (
        <View key={i} style={[styles.one, { borderColor: inks.line }]}>
          <TextField
            label={text.question}
            value={q.question}
            onChange={(question) => put(i, (x) => ({ ...x, question }), 'question')}
            problem={problem(`tellApart.${i}.question`)}
          />
          <ChoiceField
            label={text.about}
            value={q.about}
            options={options.abouts()}
            onChange={(about) => put(i, (x) => ({ ...x, about }), 'about')}
          />
          {q.answers.map((a, k) => (
            <AnswerForm
              key={k}
              about={q.about}
              answer={a}
              n={k + 1}
              place={`tellApart.${i}.answers.${k}`}
              put={(over, key) =>
                put(
                  i,
                  (x) => ({
                    ...x,
                    answers: changed(x.answers, k, (y) => withoutUnset({ ...y, ...over })),
                  }),
                  `${key}${k}`,
                )
              }
            />
          ))}
          <FieldRow>
            <BigButton
              text={text.addAnswer}
              look="quiet"
              size="desk"
              onPress={() =>
                put(
                  i,
                  (x) => ({ ...x, answers: [...x.answers, { text: '', sheet: '' }] }),
                  `add ${q.answers.length}`,
                )
              }
            />
            <BigButton
              text={text.remove}
              look="quiet"
              size="desk"
              onPress={() => change((d) => ({ ...d, tellApart: without(d.tellApart, i) }))}
            />
          </FieldRow>
        </View>
      ))}
      <BigButton text={text.addQuestion} look="quiet" size="desk" onPress={add} />
    </Section>
  );
}

/** One answer, the sheet it leads to, and what it can be told by: a head, or when it was built. */
function AnswerForm({
  about,
  answer,
  n,
  place,
  put,
}: {
  about: Question['about'];
  answer: Answer;
  n: number;
  place: string;
  put: (over: Partial<Answer>, key: string) => void;
}) {
  const { problem } = useEditor();
  return (
    <View>
      <FieldRow>
        <TextField
          label={`${text.answerText} ${n}`}
          value={answer.text}
          onChange={(t) => put({ text: t }, 'a')}
          problem={problem(`${place}.text`)}
        />
        <TextField
          label={text.leadsTo}
          value={answer.sheet}
          onChange={(sheet) => put({ sheet }, 's')}
          problem={problem(`${place}.sheet`)}
        />
      </FieldRow>
      {about === 'buildDate' ? (
        <FieldRow>
          {(['builtFrom', 'builtTo'] as const).map((end) => (
            <DayField
              key={end}
              label={text[end]}
              value={answer[end] ?? ''}
              onChange={(day) => put({ [end]: day || undefined }, end)}
              problem={problem(`${place}.${end}`)}
            />
          ))}
        </FieldRow>
      ) : null}
      {about === 'headDrive' ? (
        <ChoiceField
          label={text.head}
          value={answer.head}
          options={options.heads()}
          onChange={(head) => put({ head }, 'h')}
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  one: { borderWidth: 1, borderRadius: 10, padding: 12, gap: 10 },
});
