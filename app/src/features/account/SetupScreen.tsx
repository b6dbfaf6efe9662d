import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { BodyOf } from '@stennet/core/contract/work';
import type { AppError } from '@stennet/core/errors';
import { asAppError, makeShop } from '@/data';
import {
  BigButton,
  ChoiceField,
  Line,
  Notice,
  PinField,
  ScreenFrame,
  Section,
  TextField,
} from '@/ui';
import { units } from '@stennet/core/quantity';
import { text } from './text';

type Shop = NonNullable<BodyOf<'makeShop'>>['shop'];
const UNITS: readonly Shop['torqueUnit'][] = ['N.m', '[ft_i].[lbf_av]', 'kgf.m'];

/** The first visit of an installation: the shop and its lead. */
export function SetupScreen() {
  const [code, setCode] = useState('');
  const [shop, setShop] = useState('');
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [paper, setPaper] = useState<Shop['paper']>('A4');
  const [torqueUnit, setUnit] = useState<Shop['torqueUnit']>('N.m');
  const [error, setError] = useState<AppError | null>(null);
  const [isBusy, setBusy] = useState(false);
  const isReady = code.trim() && shop.trim() && name.trim() && password.length >= 10;
  const make = (): void => {
    setBusy(true);
    setError(null);
    const style = {
      locale: navigator.language.match(/^[a-z]{2,3}(-[A-Z]{2})?$/)?.[0] ?? 'en-GB',
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    };
    makeShop({
      code: code.trim(),
      shop: { name: shop.trim(), ...style, paper, torqueUnit },
      name: name.trim(),
      password,
    }).catch((e: unknown) => {
      setError(asAppError(e));
      setBusy(false);
    });
  };
  return (
    <ScreenFrame title={text.product} logo>
      <View style={styles.column}>
        <Section title={text.setupTitle}>
          <Line>{text.setupText}</Line>
          {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
          <TextField label={text.setupCode} value={code} onChange={setCode} />
          <TextField
            label={text.setupShop}
            value={shop}
            onChange={(t) => setShop(t.slice(0, 80))}
          />
          <TextField
            label={text.setupPerson}
            value={name}
            onChange={(t) => setName(t.slice(0, 80))}
          />
          <PinField
            label={text.setupPassword}
            value={password}
            onChange={setPassword}
            isDigits={false}
          />
          <ChoiceField
            label={text.setupPaper}
            value={paper}
            options={(['A4', 'Letter'] as const).map((value) => ({
              value,
              text: text.setupPapers[value],
            }))}
            onChange={setPaper}
          />
          <ChoiceField
            label={text.setupUnit}
            value={torqueUnit}
            options={UNITS.map((value) => ({ value, text: units[value].symbol }))}
            onChange={setUnit}
          />
          <BigButton text={text.setupGo} size="desk" disabled={!isReady || isBusy} onPress={make} />
        </Section>
      </View>
    </ScreenFrame>
  );
}

const styles = StyleSheet.create({ column: { width: '100%', maxWidth: 520, alignSelf: 'center' } });
