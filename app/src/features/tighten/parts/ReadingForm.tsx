import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { AppError } from '@stennet/core/errors';
import { parseNumber } from '@stennet/core/quantity';
import { BigButton, MONO, useInks } from '@/ui';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

interface Props {
  title: string;
  label: string;
  hint: string;
  onRecord: (value: number) => void;
  onUnknown?: () => void;
  onCancel?: () => void;
}

/** A value read off a gauge, typed with point or comma. */
export function ReadingForm({ title, label, hint, onRecord, onUnknown, onCancel }: Props) {
  const inks = useInks();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<AppError | null>(null);
  const record = (): void => {
    try {
      onRecord(parseNumber(typed));
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      setProblem(error);
    }
  };
  return (
    <View style={styles.panel}>
      {title ? <PanelTitle>{title}</PanelTitle> : null}
      {hint ? <PanelBody>{hint}</PanelBody> : null}
      <TextInput
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

const styles = StyleSheet.create({ panel: { gap: 12 } });
