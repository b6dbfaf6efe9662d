import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import {
  type CHECK_PERCENTS,
  checkPoints,
  judgeCheck,
  READINGS_EACH,
} from '@stennet/core/calibration';
import { dayIn } from '@stennet/core/followUp';
import { useSignedIn } from '@/data';
import { keepWrenchCheck } from '@/data/shop';
import { FormChoice, FormDay, FormText, Said, useDoing, useKeptFields } from '@/forms';
import { now } from '@/platform/clock';
import { newId } from '@/platform/ids';
import { BigButton, FieldRow, Line, Section, useInks } from '@/ui';
import {
  blankCheck,
  CheckFields,
  readCheck,
  readingField,
  toleranceOf,
  waysOf,
  type CheckForm as Form,
  type ReadCheck,
  type WrenchTool,
} from './checkForm';
import { JudgedPoints } from './JudgedPoints';
import { text } from '../text';

/** Two readings at each point, and what they say before anything is saved. */
export function CheckForm({
  kept,
  onClose,
}: {
  kept: { id: string; version: number; retired: boolean; tool: WrenchTool };
  onClose: () => void;
}) {
  const { me, format } = useSignedIn();
  const { tool } = kept;
  const today = dayIn(now(), me.shop.timeZone);
  const { form, values, clear } = useKeptFields<Form, ReadCheck>(
    `wrench check ${kept.id}`,
    { id: newId(), ...blankCheck(today) },
    CheckFields(tool),
  );
  const { error, done, isBusy, doing } = useDoing();
  const read = readCheck(tool, values);
  const judged = 'check' in read ? judgeCheck(read.check) : null;
  const close = (): void => {
    clear();
    onClose();
  };
  const save = (): void =>
    void form.handleSubmit(({ check, due }) =>
      doing(
        () => keepWrenchCheck(kept.id, values.id ?? newId(), { version: kept.version, check, due }),
        '',
        close,
      ),
    )();
  return (
    <Section title={text.check.title}>
      <Line>{text.check.how}</Line>
      <FieldRow>
        <FormText control={form.control} name="reference" label={text.check.reference} />
        <FormText
          control={form.control}
          name="uncertainty"
          label={text.check.uncertainty}
          mode="decimal"
          note={text.check.uncertaintyNote}
        />
      </FieldRow>
      <FormChoice
        control={form.control}
        name="ways"
        label={text.check.ways}
        options={[
          { value: 'right', text: text.check.right },
          { value: 'both', text: text.check.both },
        ]}
      />
      {checkPoints(tool).map(({ percent, value }) => (
        <Point
          key={percent}
          title={text.check.point({
            p: percent,
            value: format.quantity({ value, unit: tool.unit }).text,
          })}
          percent={percent}
          form={values}
          control={form.control}
        />
      ))}
      <FieldRow>
        <FormDay control={form.control} name="day" label={text.check.day} />
        <FormDay control={form.control} name="due" label={text.check.due} />
      </FieldRow>
      {judged && 'check' in read ? (
        <View role="status" style={styles.said}>
          <JudgedPoints check={read.check} judged={judged} />
          <Line strong>
            {judged.verdict === 'within'
              ? text.check.then.within({ day: format.day(read.due) })
              : text.check.then[judged.verdict]}
          </Line>
        </View>
      ) : (
        <Line>{text.check.tolerance({ p: format.number(toleranceOf(tool), 1) })}</Line>
      )}
      <Said error={error} done={done} />
      <BigButton text={text.check.save} size="desk" disabled={isBusy} onPress={save} />
      <BigButton text={text.cancel} look="quiet" size="desk" onPress={close} />
    </Section>
  );
}

function Point({
  title,
  percent,
  form,
  control,
}: {
  title: string;
  percent: (typeof CHECK_PERCENTS)[number];
  form: Form;
  control: unknown;
}) {
  const inks = useInks();
  const ways = waysOf(form);
  return (
    <View style={styles.said}>
      <Text style={{ fontSize: 17, fontWeight: '700', color: inks.ink }}>{title}</Text>
      {ways.map((direction) => (
        <FieldRow key={direction}>
          {Array.from({ length: READINGS_EACH }, (_, i) => (
            <FormText<Form>
              key={i}
              control={control}
              name={readingField(percent, direction, i)}
              label={
                ways.length > 1
                  ? text.check.readingTo[direction]({ n: i + 1 })
                  : text.check.reading({ n: i + 1 })
              }
              mode="decimal"
            />
          ))}
        </FieldRow>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ said: { gap: 6 } });
