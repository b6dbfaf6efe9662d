import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { AppError } from '@stennet/core/errors';
import {
  asRead,
  parseNumber,
  readingDoubt,
  units,
  type Quantity,
  type UnitCode,
} from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { BigButton, MONO, stillLabel, useInks } from '@/ui';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

interface Props {
  title: string;
  label: string;
  hint: string;
  /** What the sheet recommends: taken with one tap. */
  offered?: Quantity;
  /** What it should come near to, in the unit that is asked for: shows a reading in another one. */
  expected?: Quantity | null | undefined;
  /** readIn: the unit it was read in, where that is another one than asked for. */
  onRecord: (value: number, readIn?: UnitCode) => void;
  onUnknown?: () => void;
  onCancel?: () => void;
}

/** A value read off a gauge, typed with point or comma. */
export function ReadingForm({
  title,
  label,
  hint,
  offered,
  expected,
  onRecord,
  onUnknown,
  onCancel,
}: Props) {
  const inks = useInks();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<AppError | null>(null);
  const [asked, setAsked] = useState<{ value: number; unit: UnitCode } | null>(null);
  const record = (): void => {
    try {
      const value = parseNumber(typed);
      const unit = expected ? readingDoubt(value, expected) : null;
      if (unit) setAsked({ value, unit });
      else onRecord(value);
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      setProblem(error);
    }
  };
  if (asked && expected)
    return (
      <WhichUnit
        asked={asked}
        expected={expected}
        onRecord={onRecord}
        onNo={() => setAsked(null)}
      />
    );
  return (
    <View style={styles.panel}>
      {title ? <PanelTitle>{title}</PanelTitle> : null}
      {hint ? <PanelBody>{hint}</PanelBody> : null}
      {offered ? <Offered of={offered} onTake={(value) => onRecord(value)} /> : null}
      <TextInput
        theme={stillLabel}
        mode="outlined"
        label={label}
        accessibilityLabel={label}
        value={typed}
        onChangeText={setTyped}
        inputMode="decimal"
        autoFocus={title !== ''}
        onSubmitEditing={record}
        style={{ fontSize: 34, height: 72, fontFamily: MONO }}
      />
      {problem ? (
        <View role="alert">
          <Text
            style={{ color: inks.warnText, fontSize: 16 }}
          >{`${problem.message} ${problem.fix}`}</Text>
        </View>
      ) : null}
      <BigButton text={text.record} onPress={record} />
      {onUnknown ? <BigButton text={text.shortUnknown} look="plain" onPress={onUnknown} /> : null}
      {onCancel ? <BigButton text={text.cancel} look="quiet" onPress={onCancel} /> : null}
    </View>
  );
}

/** A reading that fits in another unit: one question before it counts. */
function WhichUnit({
  asked,
  expected,
  onRecord,
  onNo,
}: {
  asked: Quantity;
  expected: Quantity;
  onRecord: Props['onRecord'];
  onNo: () => void;
}) {
  const { format } = useSignedIn();
  const { value, unit } = asked;
  const as = (quantity: Quantity): string => format.published(quantity);
  return (
    <View role="alert" style={styles.panel}>
      <PanelTitle>
        {text.whichUnit({ unit: units[unit].symbol, expected: as(expected) })}
      </PanelTitle>
      <BigButton
        text={as(asked)}
        hint={text.whichUnitIs({ same: format.quantity(asRead(asked, expected.unit)).text })}
        look="plain"
        onPress={() => onRecord(value, unit)}
      />
      <BigButton
        text={as({ value, unit: expected.unit })}
        hint={text.whichUnitTyped}
        look="plain"
        onPress={() => onRecord(value)}
      />
      <BigButton text={text.cancel} look="quiet" onPress={onNo} />
    </View>
  );
}

function Offered({ of, onTake }: { of: Quantity; onTake: (value: number) => void }) {
  const { format } = useSignedIn();
  return (
    <BigButton
      text={text.recommended({ value: format.published(of) })}
      look="plain"
      onPress={() => onTake(of.value)}
    />
  );
}

const styles = StyleSheet.create({ panel: { gap: 12 } });
