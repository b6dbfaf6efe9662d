import { useState } from 'react';
import { View } from 'react-native';
import { convert, units, UNIT_CODES } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { Line, Section, TextField, ValueRow } from '@/ui';
import { readTorque } from './read';
import { text } from '../text';

const TORQUES = UNIT_CODES.filter((u) => units[u].kind === 'torque');

/** One torque in every unit a wrench may show. */
export function ConvertTorque() {
  const { me, format } = useSignedIn();
  const [typed, setTyped] = useState('');
  const torque = readTorque(typed, me.shop.torqueUnit);
  return (
    <Section title={text.convert}>
      <TextField
        label={text.torque}
        value={typed}
        onChange={setTyped}
        hint={text.torqueHint}
        problem={typed.trim() && !torque ? text.torqueWrong : undefined}
      />
      {torque ? (
        <View>
          {TORQUES.map((unit) => (
            <ValueRow
              key={unit}
              name={units[unit].words}
              value={format.inHand({ value: convert(torque, unit), unit }).text}
            />
          ))}
        </View>
      ) : (
        <Line>{text.convertEmpty}</Line>
      )}
    </Section>
  );
}
